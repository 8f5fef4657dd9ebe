/** How two colors of one channel meet, both in [0, 1], gamma-encoded sRGB as pages and files blend them. @source W3C Compositing and Blending Level 1, 9.1 */
export const BLEND_FORMULAS = {
  normal: (_: number, source: number) => source,
  multiply: (backdrop: number, source: number) => backdrop * source,
  screen: (backdrop: number, source: number) => backdrop + source - backdrop * source,
  overlay: (backdrop: number, source: number): number => (backdrop <= 0.5 ? 2 * backdrop * source : 1 - 2 * (1 - backdrop) * (1 - source)),
  'soft-light': (backdrop: number, source: number): number => {
    if (source <= 0.5) return backdrop - (1 - 2 * source) * backdrop * (1 - backdrop);
    const curve = backdrop <= 0.25 ? ((16 * backdrop - 12) * backdrop + 4) * backdrop : Math.sqrt(backdrop);
    return backdrop + (2 * source - 1) * (curve - backdrop);
  },
} as const;
export type BlendFormula = keyof typeof BLEND_FORMULAS;

/** A translucent color over an opaque one, a channel, in [0, 1]. @source the same, 5.1 and 10.1: simple alpha compositing over an opaque backdrop */
export const blended = (mode: BlendFormula, backdrop: number, source: number, alpha: number): number =>
  backdrop + (BLEND_FORMULAS[mode](backdrop, source) - backdrop) * alpha;

/**
 * Lays a translucent picture over an opaque one, in place, where it lies; channels stay gamma-encoded, as pages blend them.
 * @param pixels of the picture below; channels beyond the third (its own opacity) stay as they are
 * @param most the brightest value of a channel: 255, or 65535
 * @param over premultiplied, four 8-bit numbers a pixel
 */
export function layOver(
  mode: BlendFormula,
  pixels: Uint8Array | Uint16Array,
  { widthPx, channels, most }: { readonly widthPx: number; readonly channels: number; readonly most: number },
  over: { readonly rgba: Uint8Array; readonly widthPx: number; readonly heightPx: number; readonly left: number; readonly top: number },
): void {
  if (mode === 'normal' && most === 255) {
    layPlainly(pixels, { widthPx, channels }, over);
    return;
  }
  const formula = BLEND_FORMULAS[mode];
  const colors = Math.min(3, channels);
  for (let y = 0; y < over.heightPx; y++)
    for (let x = 0; x < over.widthPx; x++) {
      const from = (y * over.widthPx + x) * 4;
      const alpha = over.rgba[from + 3] as number;
      if (alpha === 0) continue;
      const at = ((over.top + y) * widthPx + over.left + x) * channels;
      for (let k = 0; k < colors; k++) {
        const backdrop = (pixels[at + k] as number) / most;
        const source = Math.min(1, (over.rgba[from + k] as number) / alpha);
        pixels[at + k] = Math.round(most * (backdrop + (formula(backdrop, source) - backdrop) * (alpha / 255)));
      }
    }
}

/** Painting over in whole numbers, for the millions of pixels of a veil. @source Porter and Duff, 1984: over; division by 255 as J. Blinn, "Three Wrongs Make a Right", 1995: exact */
function layPlainly(
  pixels: Uint8Array | Uint16Array,
  { widthPx, channels }: { readonly widthPx: number; readonly channels: number },
  { rgba, widthPx: wide, heightPx, left, top }: Parameters<typeof layOver>[3],
): void {
  const colors = Math.min(3, channels);
  for (let y = 0; y < heightPx; y++) {
    let from = y * wide * 4;
    let at = ((top + y) * widthPx + left) * channels;
    for (let x = 0; x < wide; x++, from += 4, at += channels) {
      const alpha = rgba[from + 3] as number;
      if (alpha === 0) continue;
      for (let k = 0; k < colors; k++) {
        const rest = (pixels[at + k] as number) * (255 - alpha) + 128;
        pixels[at + k] = Math.min(255, (rgba[from + k] as number) + ((rest + (rest >> 8)) >> 8));
      }
    }
  }
}
