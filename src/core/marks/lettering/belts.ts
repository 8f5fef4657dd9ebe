import {
  compose,
  heightOf,
  mapPath,
  PathPen,
  rotation,
  translation,
  widthOf,
  type Bounds,
  type PathAlgebra,
  type Region,
} from '../../geometry';
import { ring } from '../../shapes';
import type { Belt } from './schema';

/**
 * A ring or line around a letter that stops short where it meets the letter.
 * @param outline the letter in its own plane; @param around its ink box there
 */
export function beltAround(outline: Region, belt: Belt, around: Bounds, paths: PathAlgebra): Region {
  const width = (widthOf(around) * belt.widthPercent) / 100;
  const height = (heightOf(around) * belt.heightPercent) / 100;
  const band = belt.bandPermille;
  const shape =
    belt.form === 'ring'
      ? ring(width + band, height + band, band)
      : new PathPen()
          .move(-width / 2, -band / 2)
          .line(width / 2, -band / 2)
          .line(width / 2, band / 2)
          .line(-width / 2, band / 2)
          .close()
          .path();
  const map = compose(
    translation(around.left + (widthOf(around) * belt.acrossPercent) / 100, around.top + (heightOf(around) * belt.downPercent) / 100),
    rotation(belt.angleDeg),
  );
  const placed: Region = { path: mapPath(shape, map), rule: 'nonzero' };
  const kept = belt.stopPermille > 0 ? paths.weld([outline, paths.band(outline, 2 * belt.stopPermille, 'round')]) : outline;
  return paths.combine('subtract', placed, kept);
}
