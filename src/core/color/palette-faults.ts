import type { Problem } from '../result/result';
import { colorDifference } from './difference';
import { swatchesOf, type ColorKey, type Palette } from './palette';
import { seenWith, VISION_NAMES, VISIONS } from './vision';

/** Two swatches nearer than this, ΔE00, are one color to most eyes unless they touch (common practice: 5). */
export const NEAR_DUPLICATE = 5;
/** Told apart by those who see all colors, and not by those who lack a cone: ΔE00 above the first, below the second. */
const TOLD_APART = 15;
const CONFUSED = 6;

export interface PaletteFault extends Problem {
  /** The swatches it is about. */
  readonly keys: readonly ColorKey[];
}

/** What is worth a look in a palette; nothing of it is forbidden. */
export function paletteFaults(palette: Palette): readonly PaletteFault[] {
  const swatches = swatchesOf(palette);
  const faults: PaletteFault[] = [];
  if (palette.ink === '#000000')
    faults.push({
      code: 'pure-black',
      keys: ['ink'],
      message: 'Ink is pure black.',
      fix: 'A black with a little of the lead in it sits better beside it, and prints deeper.',
    });
  swatches.forEach((one, at) =>
    swatches.slice(at + 1).forEach((other) => {
      const keys = [one.key, other.key];
      const apart = colorDifference(one.hex, other.hex);
      if (apart < NEAR_DUPLICATE)
        faults.push({
          code: 'near-duplicate',
          keys,
          message:
            apart === 0
              ? `${one.name} and ${other.name} are the same color.`
              : `${one.name} and ${other.name} are ${apart.toFixed(1)} apart; under ${NEAR_DUPLICATE} they are taken for one.`,
          fix: 'Move one of them, or keep one.',
        });
      if (apart < TOLD_APART) return;
      const blind = VISION_NAMES.filter((vision) => colorDifference(seenWith(one.hex, vision), seenWith(other.hex, vision)) < CONFUSED);
      if (blind.length > 0)
        faults.push({
          code: 'confused',
          keys,
          message: `${one.name} and ${other.name} look alike to eyes with ${blind.map((vision) => VISIONS[vision].label).join(', or ')}.`,
          fix: 'Where they stand side by side, let lightness tell them apart.',
        });
    }),
  );
  return faults;
}
