import { converter, parse } from 'culori';
import { z } from 'zod';
import { channelsOf, type Hex } from './hex';

/** Process inks in whole percent. */
export const cmykSchema = z.strictObject({
  c: z.number().int().min(0).max(100),
  m: z.number().int().min(0).max(100),
  y: z.number().int().min(0).max(100),
  k: z.number().int().min(0).max(100),
});
export type Cmyk = z.infer<typeof cmykSchema>;

/**
 * Process inks by the plain rule, with all that the three colors share put into black. It knows no paper and no press: a printer's own values come
 * before it, and wherever it is shown it is said to be computed.
 * @source ISO 32000-1, 10.3.5 (device RGB to device CMYK; black generation and undercolor removal in full)
 */
export function plainCmyk(hex: Hex): Cmyk {
  const { red, green, blue } = channelsOf(hex);
  const light = Math.max(red, green, blue);
  if (light === 0) return { c: 0, m: 0, y: 0, k: 100 };
  const percent = (channel: number) => Math.round((100 * (light - channel)) / light);
  return { c: percent(red), m: percent(green), y: percent(blue), k: Math.round(100 * (1 - light)) };
}

interface Lab {
  readonly l: number;
  readonly a: number;
  readonly b: number;
}
/** Solid inks and their overprints on coated paper, from memory of ISO 12647-2:2004, paper type 1, on black backing: around the hues. */
const SOLIDS: readonly Lab[] = [
  { l: 55, a: -37, b: -50 },
  { l: 24, a: 22, b: -46 },
  { l: 48, a: 74, b: -3 },
  { l: 47, a: 68, b: 48 },
  { l: 91, a: -5, b: 93 },
  { l: 50, a: -68, b: 33 },
];
const PAPER: Lab = { l: 95, a: 0, b: -2 };
const BLACK: Lab = { l: 16, a: 0, b: 0 };

const toLab = converter('lab');

/** How far outside a color may lie and still be called printable, ΔE76: less than what presses vary by. */
const PRESS_VARIES = 4;

/** Signed height of a point over the plane of three corners; the inside of the solid is on the side of `inner`. */
function outside(point: Lab, [one, two, three]: readonly [Lab, Lab, Lab], inner: Lab): number {
  const u = { l: two.l - one.l, a: two.a - one.a, b: two.b - one.b };
  const v = { l: three.l - one.l, a: three.a - one.a, b: three.b - one.b };
  const n = { l: u.a * v.b - u.b * v.a, a: u.b * v.l - u.l * v.b, b: u.l * v.a - u.a * v.l };
  const long = Math.hypot(n.l, n.a, n.b);
  const height = (of: Lab) => ((of.l - one.l) * n.l + (of.a - one.a) * n.a + (of.b - one.b) * n.b) / long;
  return -height(point) * Math.sign(height(inner));
}

/**
 * Whether process inks on coated paper reach a color: whether it lies within the double pyramid of the solid inks, paper and black in CIELAB.
 * A rule of thumb, good to a few units; a proof from the printer decides.
 */
export function isPrintable(hex: Hex): boolean {
  const lab = toLab(parse(hex));
  if (!lab) return true;
  const inner: Lab = { l: 55, a: 0, b: 0 };
  // Screens are lighter than paper and darker than black ink: both ends are meant, not missed.
  const point = { l: Math.min(PAPER.l - 0.5, Math.max(BLACK.l + 0.5, lab.l)), a: lab.a, b: lab.b };
  return SOLIDS.every((solid, at) => {
    const next = SOLIDS[(at + 1) % SOLIDS.length] as Lab;
    return [PAPER, BLACK].every((end) => outside(point, [solid, next, end], inner) <= PRESS_VARIES);
  });
}
