import type { Point } from '../../geometry';
import { NOUGHT } from '../../numeric/tolerances';

export interface Circle {
  readonly x: number;
  readonly y: number;
  readonly radius: number;
}

/** Farthest that a point of a circle may be from it, in pixels, or as a share of its radius. */
const [FAR_PX, FAR_SHARE] = [0.22, 0.004];
/** A sliver is near a giant circle; the way round it is not. */
const ROUND_SHARE = 0.03;

/**
 * The circle that a closed line is, if it is one.
 * @source least squares of I. Kåsa, IEEE Trans. Instrum. Meas. 25, 1976
 */
export function circleOf(ring: readonly Point[]): Circle | undefined {
  const count = ring.length;
  if (count < 8) return undefined;
  let [mx, my] = [0, 0];
  for (const { x, y } of ring) [mx, my] = [mx + x / count, my + y / count];
  let [xx, xy, yy, xz, yz] = [0, 0, 0, 0, 0];
  let meanSquare = 0;
  for (const point of ring) {
    const [x, y] = [point.x - mx, point.y - my];
    const z = x * x + y * y;
    [xx, xy, yy, xz, yz, meanSquare] = [xx + x * x, xy + x * y, yy + y * y, xz + x * z, yz + y * z, meanSquare + z / count];
  }
  const det = xx * yy - xy * xy;
  if (!(det > NOUGHT)) return undefined;
  const [cx, cy] = [(xz * yy - yz * xy) / (2 * det), (yz * xx - xz * xy) / (2 * det)];
  const radius = Math.sqrt(meanSquare + cx * cx + cy * cy);
  const circle = { x: cx + mx, y: cy + my, radius };
  const far = Math.max(FAR_PX, FAR_SHARE * radius);
  let round = 0;
  for (let index = 0; index < count; index++) {
    const [a, b] = [ring[index] as Point, ring[(index + 1) % count] as Point];
    if (Math.abs(Math.hypot(a.x - circle.x, a.y - circle.y) - radius) > far) return undefined;
    round += Math.hypot(b.x - a.x, b.y - a.y);
  }
  return Math.abs(round / (2 * Math.PI * radius) - 1) < ROUND_SHARE ? circle : undefined;
}
