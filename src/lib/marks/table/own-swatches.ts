import { paletteSchema, swatchColor, type Paint, type Palette } from '$core/index';

/**
 * Paints brought from another brand: a swatch that this palette does not have stays the color that it was there.
 * @param sent the swatches beyond the roles of where they come from, as they lay on the clipboard
 */
export function ownSwatches(sent: unknown, palette: Palette): (paint: Paint) => Paint {
  const read = paletteSchema.safeParse({ ...palette, more: sent });
  const theirs = read.success ? read.data : palette;
  return (paint) => {
    if (!('role' in paint) || swatchColor(palette, paint.role) !== undefined) return paint;
    const hex = swatchColor(theirs, paint.role);
    return hex === undefined ? paint : { hex };
  };
}
