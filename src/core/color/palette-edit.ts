import type { Hex } from './hex';
import {
  isRole,
  MOST_SWATCHES,
  swatchColor,
  swatchesOf,
  type ColorKey,
  type Palette,
  type Role,
  type Swatch,
  type SwatchKey,
  type SwatchNotes,
} from './palette';

/** A palette's parts without what is empty, so that equal palettes are written alike. */
function tidy({ more, notes, ...roles }: Palette): Palette {
  const told = Object.entries(notes ?? {}).filter(([, note]) => Object.values(note ?? {}).some((value) => value !== undefined));
  return { ...roles, ...(more && more.length > 0 ? { more } : {}), ...(told.length > 0 ? { notes: Object.fromEntries(told) } : {}) };
}

/** The palette with a swatch in another color. */
export const recolored = (palette: Palette, key: ColorKey, hex: Hex): Palette =>
  isRole(key)
    ? { ...palette, [key]: hex }
    : { ...palette, more: (palette.more ?? []).map((swatch) => (swatch.key === key ? { ...swatch, hex } : swatch)) };

/** The palette with something noted of a swatch; what is `undefined` is noted no more. */
export function noted(
  palette: Palette,
  key: ColorKey,
  change: { readonly [F in keyof SwatchNotes]?: SwatchNotes[F] | undefined },
): Palette {
  const { name, ...rest } = change;
  const own = isRole(key) ? change : rest;
  const notes = Object.fromEntries(
    Object.entries({ ...palette.notes?.[key], ...own }).filter(([, value]) => value !== undefined && value !== ''),
  );
  const next = tidy({ ...palette, notes: { ...palette.notes, [key]: notes } });
  // Swatches beyond the roles bear their names themselves.
  return name && !isRole(key)
    ? { ...next, more: (next.more ?? []).map((swatch) => (swatch.key === key ? { ...swatch, name } : swatch)) }
    : next;
}

/** The palette with a swatch beyond those it has; the same where it is full. */
export const withSwatch = (palette: Palette, swatch: Swatch): Palette =>
  swatchesOf(palette).length >= MOST_SWATCHES ? palette : { ...palette, more: [...(palette.more ?? []), swatch] };

/** The palette without a swatch beyond the roles. */
export const withoutSwatch = (palette: Palette, key: SwatchKey): Palette =>
  tidy({
    ...noted(palette, key, { use: undefined, cmyk: undefined, spot: undefined }),
    more: (palette.more ?? []).filter((swatch) => swatch.key !== key),
  });

/** The palette with a swatch beyond the roles at another place among them. */
export function movedSwatch(palette: Palette, key: SwatchKey, by: -1 | 1): Palette {
  const more = [...(palette.more ?? [])];
  const at = more.findIndex((swatch) => swatch.key === key);
  const to = at + by;
  if (at < 0 || to < 0 || to >= more.length) return palette;
  more.splice(to, 0, ...more.splice(at, 1));
  return { ...palette, more };
}

/** The palette with two swatches in each other's place: whatever is painted with the role takes the other color, and the other way round. */
export function exchanged(palette: Palette, key: ColorKey, role: Role): Palette {
  const [own, other] = [swatchColor(palette, key), palette[role]];
  if (own === undefined || key === role) return palette;
  const [ownNotes, roleNotes] = [palette.notes?.[key] ?? {}, palette.notes?.[role] ?? {}];
  const swapped = recolored(recolored(palette, key, other), role, own);
  const values = ({ cmyk, spot }: SwatchNotes): SwatchNotes => ({ ...(cmyk ? { cmyk } : {}), ...(spot ? { spot } : {}) });
  // What is known of a color goes with the color; what a place is called and used for stays.
  const placed = (place: SwatchNotes, color: SwatchNotes): SwatchNotes => {
    const { name, use } = place;
    return { ...(name ? { name } : {}), ...(use ? { use } : {}), ...values(color) };
  };
  return tidy({ ...swapped, notes: { ...palette.notes, [key]: placed(ownNotes, roleNotes), [role]: placed(roleNotes, ownNotes) } });
}
