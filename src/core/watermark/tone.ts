import { luminanceOf, type PhotoTones } from './tones';
import type { InkCells } from './ink-cells';

/** A tone was chosen for a stamp, and how well it stands out. */
export interface ToneChoice {
  readonly tone: 'light' | 'dark' | 'split';
  /** Contrast ratio that nine tenths of the ink reach in this tone, at full strength. */
  readonly contrast: number;
}

/** Below this, one tone does not do and the stamp is split. @source W3C WCAG 2.2, SC 1.4.11: graphics need 3 : 1; half of it still tells shapes apart (common practice) */
const POOR = 1.9;
/** The share of the ink that may stand out worse than the figure given. */
const WORST = 0.1;

const ratio = (one: number, other: number): number => (Math.max(one, other) + 0.05) / (Math.min(one, other) + 0.05);

/** The contrast that nine tenths of the ink reach in a tone. @param luminance of the tone, relative */
export function contrastUnder(tones: PhotoTones, ink: InkCells, luminance: number): number {
  const met: { readonly ratio: number; readonly weight: number }[] = [];
  let whole = 0;
  ink.cover.forEach((weight, at) => {
    if (weight <= 0) return;
    whole += weight;
    met.push({ ratio: ratio(luminance, luminanceOf(tones.light[at] ?? 0)), weight });
  });
  met.sort((one, other) => one.ratio - other.ratio);
  let seen = 0;
  for (const each of met) {
    seen += each.weight;
    if (seen >= whole * WORST) return each.ratio;
  }
  return 1;
}

/** Chooses the tone that stands out more from what lies under it; both, where neither does over most of it and each does over a part. */
export function chosenTone(tones: PhotoTones, ink: InkCells, light: number, dark: number): ToneChoice {
  const [asLight, asDark] = [contrastUnder(tones, ink, light), contrastUnder(tones, ink, dark)];
  const better = asLight >= asDark ? ({ tone: 'light', contrast: asLight } as const) : ({ tone: 'dark', contrast: asDark } as const);
  if (better.contrast >= POOR) return better;
  const middle = turningLightness(light, dark);
  let [over, under, whole] = [0, 0, 0];
  ink.cover.forEach((weight, at) => {
    whole += weight;
    if ((tones.light[at] ?? 0) > middle) over += weight;
    else under += weight;
  });
  // A few stray cells are no reason to cut a stamp in two.
  return Math.min(over, under) > whole * 0.12 ? { tone: 'split', contrast: better.contrast } : better;
}

/** The lightness at which both tones stand out alike: dark is used above, light below. */
export function turningLightness(light: number, dark: number): number {
  const even = Math.sqrt((light + 0.05) * (dark + 0.05)) - 0.05;
  return even > 216 / 24389 ? 116 * Math.cbrt(even) - 16 : (24389 / 27) * even;
}
