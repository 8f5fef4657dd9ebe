import { penDrawn } from '../tones/drawn';
import { histogramOf, otsu } from '../tones/thresholds';
import { SEEN } from './areas';
import { cutInTwo } from './in-two';
import type { TracedPicture, TracingWay } from './way';

/** Both the threshold and the outlines are found in it. */
const kept = new WeakMap<TracedPicture, Float32Array>();
function drawn(picture: TracedPicture): Float32Array {
  const made = kept.get(picture) ?? penDrawn(picture.gray, picture.columns, picture.rows);
  kept.set(picture, made);
  return made;
}

/** Dark areas and edges, as a pen draws them. */
export const pen: TracingWay = {
  label: 'Pen drawing',
  says: 'Edges and dark places: best for faces, animals and busy photos.',
  uses: ['thresholds', 'ink', 'smooth', 'specksPermille', 'closenessPx'],
  thresholds: (picture) =>
    otsu(
      histogramOf(drawn(picture), (index) => (picture.planes.alpha[index] as number) >= SEEN),
      1,
    ),
  trace: (picture, tracing) => {
    const [whole = 0.5] = tracing.thresholds ?? pen.thresholds?.(picture, tracing) ?? [];
    const gray = drawn(picture);
    return cutInTwo(picture, gray, new Float32Array(gray.length).fill(whole), tracing);
  },
};
