import { differenceEuclidean, parse } from 'culori';
import type { Hex } from './hex';
import { swatchesOf, type ColorKey, type Palette } from './palette';

const apart = differenceEuclidean('oklab');

/** Which of several colors is nearest to a color, by distance in OKLab. @returns its index; 0 where there is none */
export function nearestColor(color: Hex, among: readonly Hex[]): number {
  const own = parse(color);
  let [best, least] = [0, Infinity];
  among.forEach((other, index) => {
    const there = parse(other);
    const distance = own && there ? apart(own, there) : Infinity;
    if (distance < least) [best, least] = [index, distance];
  });
  return best;
}

/** The palette's swatch whose color is nearest to a color; of equals the first, so that a role comes before the swatches beyond. */
export function nearestSwatchOf(color: Hex, palette: Palette): ColorKey {
  const swatches = swatchesOf(palette);
  return (
    swatches[
      nearestColor(
        color,
        swatches.map(({ hex }) => hex),
      )
    ]?.key ?? 'ink'
  );
}
