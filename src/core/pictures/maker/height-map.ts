import type { Ball, Form, Limb, Solid, Turned } from './solid';
import { NOUGHT } from '../../numeric/tolerances';

/** Solids seen straight from the front: how far in front of the ground every pixel stands, and which solid is seen there. */
export interface HeightMap {
  readonly side: number;
  /** In halves of the side; 0 on the ground. */
  readonly heights: Float32Array;
  /** Index of the solid that is seen, −1 on the ground. */
  readonly seen: Int16Array;
}

type HeightAt = (x: number, y: number) => number;
interface Reach {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

function ballHeight({ at, rx, ry, turnDeg, depth }: Ball): { readonly reach: Reach; readonly height: HeightAt } {
  const [cos, sin] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)];
  const r = Math.max(rx, ry);
  return {
    reach: { left: at.x - r, right: at.x + r, top: at.y - r, bottom: at.y + r },
    height: (x, y) => {
      const [dx, dy] = [x - at.x, y - at.y];
      const q = ((dx * cos + dy * sin) / rx) ** 2 + ((dy * cos - dx * sin) / ry) ** 2;
      return q >= 1 ? -1 : depth * Math.sqrt(1 - q);
    },
  };
}

function limbHeight({ from, to, fromR, toR }: Limb): { readonly reach: Reach; readonly height: HeightAt } {
  const r = Math.max(fromR, toR);
  const [ax, ay] = [to.x - from.x, to.y - from.y];
  const length2 = ax * ax + ay * ay || NOUGHT;
  return {
    reach: {
      left: Math.min(from.x, to.x) - r,
      right: Math.max(from.x, to.x) + r,
      top: Math.min(from.y, to.y) - r,
      bottom: Math.max(from.y, to.y) + r,
    },
    height: (x, y) => {
      const share = Math.min(1, Math.max(0, ((x - from.x) * ax + (y - from.y) * ay) / length2));
      const own = fromR + (toR - fromR) * share;
      const d2 = (x - from.x - ax * share) ** 2 + (y - from.y - ay * share) ** 2;
      return d2 >= own * own ? -1 : Math.sqrt(own * own - d2);
    },
  };
}

interface Segment {
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
}
const squaredDistance = ({ x0, y0, x1, y1 }: Segment, x: number, y: number): number => {
  const [ax, ay] = [x1 - x0, y1 - y0];
  const share = Math.min(1, Math.max(0, ((x - x0) * ax + (y - y0) * ay) / (ax * ax + ay * ay || NOUGHT)));
  return (x - x0 - ax * share) ** 2 + (y - y0 - ay * share) ** 2;
};

/** Row by row: only lines that come within `bulge` of a row are looked at for its distances. */
function formHeight({ outline, bulge }: Form): { readonly reach: Reach; readonly height: HeightAt } {
  const segments = outline.map(({ x, y }, index): Segment => {
    const next = outline[(index + 1) % outline.length] ?? { x, y };
    return { x0: x, y0: y, x1: next.x, y1: next.y };
  });
  const [xs, ys] = [outline.map(({ x }) => x), outline.map(({ y }) => y)];
  let known = Number.NaN;
  let crossings: readonly number[] = [];
  let near: readonly Segment[] = [];
  const toRow = (y: number): void => {
    known = y;
    crossings = segments.flatMap(({ x0, y0, x1, y1 }) => (y0 > y !== y1 > y ? [((x1 - x0) * (y - y0)) / (y1 - y0) + x0] : []));
    near = segments.filter(({ y0, y1 }) => Math.min(y0, y1) - bulge <= y && Math.max(y0, y1) + bulge >= y);
  };
  return {
    reach: { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) },
    height: (x, y) => {
      if (y !== known) toRow(y);
      let inside = false;
      for (const crossing of crossings) if (x < crossing) inside = !inside;
      if (!inside) return -1;
      if (bulge <= 0) return 0;
      let nearest = bulge * bulge;
      for (const segment of near) {
        if (Math.min(segment.x0, segment.x1) - bulge > x || Math.max(segment.x0, segment.x1) + bulge < x) continue;
        nearest = Math.min(nearest, squaredDistance(segment, x, y));
      }
      return bulge * Math.sqrt(1 - (1 - Math.sqrt(nearest) / bulge) ** 2);
    },
  };
}

function turnedHeight({ x: axis, rings }: Turned): { readonly reach: Reach; readonly height: HeightAt } {
  const most = Math.max(...rings.map(({ r }) => r));
  const [top, foot] = [rings[0]?.y ?? 0, rings.at(-1)?.y ?? 0];
  const radiusAt = (y: number): number => {
    const next = rings.findIndex((ring) => ring.y >= y);
    const [above, below] = [rings[next - 1], rings[next]];
    if (!below) return 0;
    if (!above || below.y === above.y) return below.r;
    return above.r + ((below.r - above.r) * (y - above.y)) / (below.y - above.y);
  };
  let [known, radius] = [Number.NaN, 0];
  return {
    reach: { left: axis - most, right: axis + most, top, bottom: foot },
    height: (x, y) => {
      if (y < top || y > foot) return -1;
      if (y !== known) [known, radius] = [y, radiusAt(y)];
      const d2 = (x - axis) ** 2;
      return d2 >= radius * radius ? -1 : Math.sqrt(radius * radius - d2);
    },
  };
}

const heightOfSolid = (solid: Solid) =>
  solid.kind === 'ball'
    ? ballHeight(solid)
    : solid.kind === 'limb'
      ? limbHeight(solid)
      : solid.kind === 'turned'
        ? turnedHeight(solid)
        : formHeight(solid);

/**
 * Evens out the ridges that the middle line of a form leaves: means along runs of one solid, in windows that become narrower toward the run's
 * ends, so that edges stay where they are.
 */
function evenOut({ side, heights, seen }: HeightMap, solids: readonly Solid[], step: 1 | 'row'): void {
  const window = Math.round(side / 36);
  const [along, across] = step === 1 ? [1, side] : [side, 1];
  const sums = new Float64Array(side + 1);
  for (let line = 0; line < side; line++) {
    let from = 0;
    while (from < side) {
      const solid = seen[line * across + from * along] as number;
      let to = from + 1;
      while (to < side && seen[line * across + to * along] === solid) to++;
      if (solids[solid]?.kind === 'form' && to - from > 4) {
        sums[0] = 0;
        for (let n = from; n < to; n++) sums[n - from + 1] = (sums[n - from] as number) + (heights[line * across + n * along] as number);
        for (let n = from; n < to; n++) {
          const reach = Math.min(window, n - from, to - 1 - n);
          heights[line * across + n * along] =
            ((sums[n - from + reach + 1] as number) - (sums[n - from - reach] as number)) / (2 * reach + 1);
        }
      }
      from = to;
    }
  }
}

/**
 * What is seen of solids, solid by solid.
 * @param side of the square picture, in pixels
 * @returns steps, one after each solid; the map is whole after the last
 */
export function* heightMap(solids: readonly Solid[], side: number): Generator<void, HeightMap> {
  const heights = new Float32Array(side * side);
  const seen = new Int16Array(side * side).fill(-1);
  const pixel = (unit: number) => ((unit + 1) * side) / 2;
  for (const [index, solid] of solids.entries()) {
    const { reach, height } = heightOfSolid(solid);
    const [x0, x1] = [Math.max(0, Math.floor(pixel(reach.left))), Math.min(side, Math.ceil(pixel(reach.right)))];
    const [y0, y1] = [Math.max(0, Math.floor(pixel(reach.top))), Math.min(side, Math.ceil(pixel(reach.bottom)))];
    for (let row = y0; row < y1; row++)
      for (let column = x0; column < x1; column++) {
        const own = height(((column + 0.5) * 2) / side - 1, ((row + 0.5) * 2) / side - 1);
        const at = row * side + column;
        if (own < 0 || ((seen[at] as number) >= 0 && own + solid.lift <= (heights[at] as number))) continue;
        heights[at] = own + solid.lift;
        seen[at] = index;
      }
    yield;
  }
  const map = { side, heights, seen };
  for (const step of [1, 'row', 1, 'row'] as const) {
    evenOut(map, solids, step);
    yield;
  }
  return map;
}
