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
