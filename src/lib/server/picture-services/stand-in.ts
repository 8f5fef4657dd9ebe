import { setImmediate } from 'node:timers/promises';
import sharp from 'sharp';
import { makePicture, meaningOf, MOTIF_NAMES, motifOf, type Meaning } from '$core/pictures';
import { ProblemError } from '../http/problem-error';
import type { PictureService } from './service';

/** Side of its pictures. */
const SIDE_PX = 1000;

function meant(words: string): Meaning {
  const meaning = meaningOf(words);
  if (!meaning.ok) throw new ProblemError(422, meaning.problems);
  return meaning.value;
}

/** The stand-in that ships with the app: it draws motifs of ours, and needs nobody. */
export const standIn: PictureService = {
  name: 'The stand-in',
  isStandIn: true,
  knows: MOTIF_NAMES.map((name) => motifOf(name).label),
  check: ({ words }) => void meant(words),
  make: async ({ words, ground, seed }, tell) => {
    const { motif, color } = meant(words);
    const making = makePicture({ motif, color, ground, seed, sidePx: SIDE_PX });
    let step = making.next();
    while (!step.done) {
      await tell(step.value);
      // Whoever else this process serves comes in between.
      await setImmediate();
      step = making.next();
    }
    const { columns, rows, rgba } = step.value;
    return sharp(rgba, { raw: { width: columns, height: rows, channels: 4 } })
      .removeAlpha()
      .png({ compressionLevel: 3 })
      .toBuffer();
  },
};
