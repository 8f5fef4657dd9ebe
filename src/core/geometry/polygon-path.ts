import { apply, type Affine } from './affine';
import { arcOn } from './arcs';
import { boundsOf, centerOf, heightOf, widthOf } from './bounds';
import { mapPath, PathPen, type Path } from './path';
import type { Point } from './point';
import { LEVEL, NOUGHT } from '../numeric/tolerances';

/** A closed path through points. */
export function polygonPath(points: readonly Point[]): Path {
  const pen = new PathPen();
  points.forEach(({ x, y }, index) => (index === 0 ? pen.move(x, y) : pen.line(x, y)));
  return points.length > 0 ? pen.close().path() : pen.path();
}

/** A closed path through points whose corners are circles of a radius, at most as large as half of the shorter side allows. */
export function roundedPolygon(points: readonly Point[], radius: number): Path {
  if (radius <= 0 || points.length < 3) return polygonPath(points);
  const pen = new PathPen();
  points.forEach((corner, index) => {
    const before = points.at(index - 1) as Point;
    const after = points[(index + 1) % points.length] as Point;
    const [inX, inY] = [before.x - corner.x, before.y - corner.y];
    const [outX, outY] = [after.x - corner.x, after.y - corner.y];
    const [inLength, outLength] = [Math.hypot(inX, inY), Math.hypot(outX, outY)];
    const angle = Math.acos(Math.min(1, Math.max(-1, (inX * outX + inY * outY) / (inLength * outLength || 1))));
    const tangent = Math.min(radius / Math.tan(angle / 2), inLength / 2, outLength / 2);
    if (!(tangent > NOUGHT) || angle > Math.PI - LEVEL) {
      if (index === 0) pen.move(corner.x, corner.y);
      else pen.line(corner.x, corner.y);
      return;
    }
    const own = tangent * Math.tan(angle / 2);
    const start = { x: corner.x + (inX / inLength) * tangent, y: corner.y + (inY / inLength) * tangent };
    const end = { x: corner.x + (outX / outLength) * tangent, y: corner.y + (outY / outLength) * tangent };
    const half = Math.hypot(inX / inLength + outX / outLength, inY / inLength + outY / outLength);
    const far = own / Math.sin(angle / 2);
    const center = {
      x: corner.x + ((inX / inLength + outX / outLength) / half) * far,
      y: corner.y + ((inY / inLength + outY / outLength) / half) * far,
    };
    const from = Math.atan2(start.y - center.y, start.x - center.x);
    const by = ((((Math.atan2(end.y - center.y, end.x - center.x) - from) % (2 * Math.PI)) + 3 * Math.PI) % (2 * Math.PI)) - Math.PI;
    if (index === 0) pen.move(start.x, start.y);
    else pen.line(start.x, start.y);
    arcOn(pen, center.x, center.y, own, own, from, by);
  });
  return pen.close().path();
}

/** The path stretched and moved so that its ink fills a box of a size on its own center. */
export function toSize(path: Path, widthPx: number, heightPx: number): Path {
  const box = boundsOf(path);
  if (!box) return path;
  const [width, height] = [widthOf(box), heightOf(box)];
  const a = width > 0 ? widthPx / width : 1;
  const d = height > 0 ? heightPx / height : 1;
  const center = centerOf(box);
  return mapPath(path, { a, b: 0, c: 0, d, e: -center.x * a, f: -center.y * d });
}

/** The outline of the unit square under a map. */
export const framePath = (map: Affine): Path =>
  polygonPath([apply(map, { x: 0, y: 0 }), apply(map, { x: 1, y: 0 }), apply(map, { x: 1, y: 1 }), apply(map, { x: 0, y: 1 })]);
