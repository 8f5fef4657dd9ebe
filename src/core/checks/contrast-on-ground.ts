import { contrastRatio } from '../color/contrast';
import type { Hex } from '../color/hex';
import { judge, type Finding } from './verdict';

/** Least contrast of a graphic against its ground, and of small text. @source W3C WCAG 2.2, SC 1.4.11 and 1.4.3 */
const GRAPHIC = 3;
const TEXT = 4.5;

const finding = (ratio: number, where: string): Finding => ({
  verdict: judge(ratio, GRAPHIC, TEXT),
  figure: `${ratio.toFixed(1)} : 1`,
  says: `Contrast ${where} is ${ratio.toFixed(1)} to 1; a mark needs at least ${GRAPHIC}, small text ${TEXT}.`,
});

/** Contrast of a color on one ground. */
export const contrastOnGround = (color: Hex, ground: Hex): Finding => finding(contrastRatio(color, ground), 'on this ground');

/** Share of the ground, by area, that may be worse than the figure given. */
const WORST = 0.1;

/**
 * Contrast of a color over a picture: the ratio that nine tenths of the ground under the mark reach.
 * @param grounds colors of the picture under the mark, evenly sampled
 * @returns nothing where there is no ground
 */
export function contrastOnPicture(color: Hex, grounds: readonly Hex[]): Finding | undefined {
  const ratios = grounds.map((ground) => contrastRatio(color, ground)).sort((one, other) => one - other);
  const ratio = ratios[Math.floor(ratios.length * WORST)];
  return ratio === undefined ? undefined : finding(ratio, 'over nine tenths of what lies under it');
}
