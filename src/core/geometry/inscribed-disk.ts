import polylabel from 'polylabel';
import { boundsOf, heightOf, widthOf } from './bounds';
import { flatten } from './flatten';
import { islandsOf } from './islands';
import type { Point } from './point';
import type { Region } from './region';

/** A disk that lies inside an area. */
export interface InscribedDisk {
  readonly at: Point;
  readonly radius: number;
}

/** Outlines are flattened, and the radius is searched, to this share of the area's longer side. */
const FINE = 1 / 2000;

/**
 * The largest disk that fits into an area, wherever in it.
 * @param area welded: contours that do not cross
 * @returns nothing for an area without ink; the radius is right to a thousandth of the area's longer side
 * @source D. Garcia-Castellanos, U. Lombardo, "Poles of inaccessibility", Scottish Geographical Journal 123, 2007; searched cell by cell (polylabel)
 */
export function inscribedDisk(area: Region): InscribedDisk | undefined {
  let best: InscribedDisk | undefined;
  for (const { path } of islandsOf(area)) {
    const box = boundsOf(path);
    const fine = box ? Math.max(widthOf(box), heightOf(box)) * FINE : 0;
    if (!(fine > 0)) continue;
    const found = polylabel(
      flatten(path, fine).map((polygon) => polygon.map(({ x, y }): [number, number] => [x, y])),
      fine,
    );
    const [x, y] = found;
    if (x !== undefined && y !== undefined && found.distance > (best?.radius ?? 0)) best = { at: { x, y }, radius: found.distance };
  }
  return best;
}
