import { eachOf } from '../../numeric/tuples';
import { ok, type Result } from '../../result/result';
import { inverse, project, squareTo, type Corner } from '../homography';
import { MOST_UV, type UvMap } from '../scene';
import { MESH_SIDE, type OwnGoods } from './own-goods';
import { NOUGHT } from '../../numeric/tolerances';

/** The map is drawn in this many cells along each side; within one it is taken as straight: below 0.03 px at 2,000 px. */
const CELLS = 128;

/** Weights of the four handles at a place between them: the cubic through all four. @source J.-L. Lagrange, 1795; handles at 0, 1/3, 2/3, 1 */
export function handleWeights(t: number): readonly [number, number, number, number] {
  const [a, b, c, d] = [t, t - 1 / 3, t - 2 / 3, t - 1];
  return [(-9 / 2) * b * c * d, (27 / 2) * a * c * d, (-27 / 2) * a * b * d, (9 / 2) * a * b * c];
}

const cornersIn = ({ corners }: Pick<OwnGoods, 'corners'>, widthPx: number, heightPx: number) =>
  eachOf(corners, ({ x, y }) => ({ x: x * widthPx, y: y * heightPx }));
const bent = ({ mesh }: Pick<OwnGoods, 'mesh'>): boolean => mesh.some(({ x, y }) => x !== 0 || y !== 0);

/** Where a place of the unit square lies in the photo, in its pixels. @throws nothing; corners that cross are a problem */
export function meshPlace(
  { corners, mesh }: Pick<OwnGoods, 'corners' | 'mesh'>,
  widthPx: number,
  heightPx: number,
): Result<(u: number, v: number) => Corner> {
  const map = squareTo(cornersIn({ corners }, widthPx, heightPx));
  if (!map.ok) return map;
  const pulled = bent({ mesh });
  return ok((u, v) => {
    const flat = project(map.value, { x: u, y: v });
    if (!pulled) return flat;
    const [across, down] = [handleWeights(u), handleWeights(v)];
    let [x, y] = [flat.x, flat.y];
    for (let row = 0; row < MESH_SIDE; row++)
      for (let column = 0; column < MESH_SIDE; column++) {
        const weight = (across[column] as number) * (down[row] as number);
        const handle = mesh[row * MESH_SIDE + column];
        if (!handle) continue;
        x += weight * handle.x * widthPx;
        y += weight * handle.y * heightPx;
      }
    return { x, y };
  });
}

/** Where each pixel of the photo lies in the place that is printed. */
export function meshMap(goods: Pick<OwnGoods, 'corners' | 'mesh'>, widthPx: number, heightPx: number): Result<UvMap> {
  const place = meshPlace(goods, widthPx, heightPx);
  if (!place.ok) return place;
  // Where nothing is bent, the corners' own map is the exact one.
  const flat = bent(goods) ? undefined : squareTo(cornersIn(goods, widthPx, heightPx));
  const back = flat?.ok ? inverse(flat.value) : undefined;
  const held = (share: number) => Math.min(MOST_UV, Math.max(0, Math.round(share * MOST_UV)));
  const area = new Uint8Array(widthPx * heightPx);
  const uv = new Uint16Array(widthPx * heightPx * 2);
  const points = Array.from({ length: (CELLS + 1) ** 2 }, (_, at) => {
    const [u, v] = [(at % (CELLS + 1)) / CELLS, Math.floor(at / (CELLS + 1)) / CELLS];
    return { ...place.value(u, v), u, v };
  });
  type Point = (typeof points)[number];
  const fill = (a: Point, b: Point, c: Point) => {
    const turn = (b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y);
    if (turn === 0) return;
    const [top, bottom] = [Math.min(a.y, b.y, c.y), Math.max(a.y, b.y, c.y)];
    const [left, right] = [Math.min(a.x, b.x, c.x), Math.max(a.x, b.x, c.x)];
    for (let y = Math.max(0, Math.ceil(top - 0.5)); y < Math.min(heightPx, bottom + 0.5); y++)
      for (let x = Math.max(0, Math.ceil(left - 0.5)); x < Math.min(widthPx, right + 0.5); x++) {
        const [px, py] = [x + 0.5, y + 0.5];
        const p = ((b.x - px) * (c.y - py) - (c.x - px) * (b.y - py)) / turn;
        const q = ((c.x - px) * (a.y - py) - (a.x - px) * (c.y - py)) / turn;
        const r = 1 - p - q;
        if (p < -NOUGHT || q < -NOUGHT || r < -NOUGHT) continue;
        const at = y * widthPx + x;
        area[at] = 1;
        const { x: u, y: v } = back ? project(back, { x: px, y: py }) : { x: p * a.u + q * b.u + r * c.u, y: p * a.v + q * b.v + r * c.v };
        uv[at * 2] = held(u);
        uv[at * 2 + 1] = held(v);
      }
  };
  for (let row = 0; row < CELLS; row++)
    for (let column = 0; column < CELLS; column++) {
      const at = row * (CELLS + 1) + column;
      const [a, b, c, d] = [points[at], points[at + 1], points[at + CELLS + 2], points[at + CELLS + 1]] as [Point, Point, Point, Point];
      fill(a, b, c);
      fill(a, c, d);
    }
  return ok({ widthPx, heightPx, area, uv });
}
