import { eachOf } from '../numeric/tuples';
import { fail, ok, type Result } from '../result/result';

/** A place, in pixels or in shares. */
export interface Corner {
  readonly x: number;
  readonly y: number;
}
/** Nine numbers of a projective map, row by row; the last is 1. */
export type Homography = readonly [number, number, number, number, number, number, number, number, number];

/** Where a map puts a place. */
export function project([a, b, c, d, e, f, g, h, i]: Homography, { x, y }: Corner): Corner {
  const w = g * x + h * y + i;
  return { x: (a * x + b * y + c) / w, y: (d * x + e * y + f) / w };
}

const turnOf = (p: Corner, q: Corner, r: Corner) => (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x);

/**
 * The map from the unit square to four corners.
 * @param corners upper left, upper right, lower right, lower left
 * @source P. Heckbert, "Fundamentals of Texture Mapping and Image Warping", 1989, 2.2.3 "Inferring projective mappings"
 */
export function squareTo(corners: readonly [Corner, Corner, Corner, Corner]): Result<Homography> {
  const [p, q, r, s] = corners;
  const turns = [turnOf(p, q, r), turnOf(q, r, s), turnOf(r, s, p), turnOf(s, p, q)];
  if (!(turns.every((turn) => turn > 0) || turns.every((turn) => turn < 0)))
    return fail({
      code: 'crossed-corners',
      message: 'The four corners cross or fold inwards.',
      fix: 'Pull them apart, so that they go around the place in order.',
    });
  const [dx1, dx2, dx3] = [q.x - r.x, s.x - r.x, p.x - q.x + r.x - s.x];
  const [dy1, dy2, dy3] = [q.y - r.y, s.y - r.y, p.y - q.y + r.y - s.y];
  const det = dx1 * dy2 - dx2 * dy1;
  const g = (dx3 * dy2 - dx2 * dy3) / det;
  const h = (dx1 * dy3 - dx3 * dy1) / det;
  return ok([q.x - p.x + g * q.x, s.x - p.x + h * s.x, p.x, q.y - p.y + g * q.y, s.y - p.y + h * s.y, p.y, g, h, 1]);
}

/** The map back. @source the adjugate matrix, scaled so that its last number is 1 */
export function inverse([a, b, c, d, e, f, g, h, i]: Homography): Homography {
  const last = a * e - b * d;
  const m = [
    e * i - f * h,
    c * h - b * i,
    b * f - c * e,
    f * g - d * i,
    a * i - c * g,
    c * d - a * f,
    d * h - e * g,
    b * g - a * h,
    last,
  ] as const;
  return eachOf(m, (value) => value / last);
}
