import type { MeshBuilder, Point } from './mesh';
import { hash, layered, noise } from './noise';

/** A flat piece of cloth: its outline, clockwise seen from above, in centimeters. */
export type Outline = readonly (readonly [x: number, z: number])[];

export interface Cloth {
  readonly outline: Outline;
  /** How far apart the points of its grid lie. */
  readonly step: number;
  /** How much wider it is than the room it has: what makes it fold. */
  readonly ease: number;
  /** How thick it lies where it is flat. */
  readonly thick: number;
  /** Where it was pulled together: place, reach and how far. */
  readonly pinches?: readonly { readonly at: readonly [number, number]; readonly reach: number; readonly by: readonly [number, number] }[];
  readonly seed: number;
}

function inside(outline: Outline, x: number, z: number): boolean {
  let found = false;
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
    const [xi, zi] = outline[i] as readonly [number, number];
    const [xj, zj] = outline[j] as readonly [number, number];
    if (zi > z !== zj > z && x < ((xj - xi) * (z - zi)) / (zj - zi) + xi) found = !found;
  }
  return found;
}

/** The place of an outline next to a point, and how far off. */
function nearest(outline: Outline, x: number, z: number): { readonly x: number; readonly z: number; readonly far: number } {
  let best = { x, z, far: Infinity };
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
    const [ax, az] = outline[j] as readonly [number, number];
    const [bx, bz] = outline[i] as readonly [number, number];
    const [dx, dz] = [bx - ax, bz - az];
    const t = Math.min(1, Math.max(0, ((x - ax) * dx + (z - az) * dz) / (dx * dx + dz * dz || 1)));
    const [px, pz] = [ax + dx * t, az + dz * t];
    const far = Math.hypot(x - px, z - pz);
    if (far < best.far) best = { x: px, z: pz, far };
  }
  return best;
}

/**
 * Lays cloth on a table: its rest lengths are a little longer than the room it has, so that it buckles upwards into folds.
 * Points are pulled to their rest lengths in turn; of each correction only a twentieth acts in the plane.
 * @source M. Müller et al., "Position Based Dynamics", 2007
 * @returns adds the surface; its print coordinates are those of the flat cloth over its bounds
 */
export function layCloth(
  builder: MeshBuilder,
  material: number,
  cloth: Cloth,
  place: (point: Point) => Point,
  window: { readonly left: number; readonly right: number; readonly top: number; readonly bottom: number },
): void {
  const { outline, step, ease, thick, pinches = [], seed } = cloth;
  const [xs, zs] = [outline.map(([x]) => x), outline.map(([, z]) => z)];
  const [left, right, top, bottom] = [Math.min(...xs) - step, Math.max(...xs) + step, Math.min(...zs) - step, Math.max(...zs) + step];
  const [columns, rows] = [Math.ceil((right - left) / step), Math.ceil((bottom - top) / step)];
  const count = (columns + 1) * (rows + 1);
  const [fx, fz, x, y, z] = [0, 1, 2, 3, 4].map(() => new Float64Array(count)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  const [base, used] = [new Float64Array(count), new Uint8Array(count)];
  /** How freely each point rises: seams and hems hold the cloth down. */
  const free = new Float64Array(count);
  for (let r = 0; r <= rows; r++)
    for (let c = 0; c <= columns; c++) {
      const at = r * (columns + 1) + c;
      let [px, pz] = [left + c * step, top + r * step];
      const close = nearest(outline, px, pz);
      const within = inside(outline, px, pz);
      // Points close to the outline move onto it: the edge is smooth although the grid is square.
      if (close.far < step * (within ? 0.45 : 0.75)) [px, pz] = [close.x, close.z];
      used[at] = within || close.far < step * 0.75 ? 1 : 0;
      fx[at] = px;
      fz[at] = pz;
      const edge = within ? Math.min(1, close.far / 1.1) : 0;
      free[at] = within ? Math.min(1, 0.06 + close.far / 5) : 0.06;
      base[at] = thick * (0.25 + 0.75 * Math.sqrt(1 - (1 - edge) ** 2));
      const warp = (k: number) => (layered(px / 17 + seed * 3.1 + k * 40, pz / 17, seed + k, 2) - 0.5) * 2;
      let [wx, wz] = [warp(0) * ease * 26, warp(1) * ease * 26];
      for (const {
        at: [ax, az],
        reach,
        by,
      } of pinches) {
        const weight = Math.exp(-((px - ax) ** 2 + (pz - az) ** 2) / (reach * reach));
        wx += by[0] * weight;
        wz += by[1] * weight;
      }
      x[at] = px * (1 - ease) + wx;
      z[at] = pz * (1 - ease * 0.8) + wz;
      y[at] = (base[at] as number) + 0.5 * (free[at] as number) * layered(px / 6 + seed, pz / 6, seed, 2);
    }
  const links: number[] = [];
  const lengths: number[] = [];
  const join = (a: number, b: number) => {
    if (!used[a] || !used[b]) return;
    links.push(a, b);
    lengths.push(Math.hypot((fx[a] as number) - (fx[b] as number), (fz[a] as number) - (fz[b] as number)));
  };
  for (let r = 0; r <= rows; r++)
    for (let c = 0; c <= columns; c++) {
      const at = r * (columns + 1) + c;
      if (c < columns) join(at, at + 1);
      if (r < rows) join(at, at + columns + 1);
      if (c < columns && r < rows) {
        join(at, at + columns + 2);
        join(at + 1, at + columns + 1);
      }
      if (c + 5 <= columns) join(at, at + 5);
      if (r + 5 <= rows) join(at, at + 5 * (columns + 1));
    }
  const order = Int32Array.from({ length: lengths.length }, (_, n) => n);
  for (let n = order.length - 1; n > 0; n--) {
    const k = Math.floor(hash(n, seed, 77) * (n + 1));
    const kept = order[n] as number;
    order[n] = order[k] as number;
    order[k] = kept;
  }
  for (let round = 0; round < 220; round++) {
    for (const n of order) {
      const [a, b] = [links[n * 2] as number, links[n * 2 + 1] as number];
      const [dx, dy, dz] = [(x[b] as number) - (x[a] as number), (y[b] as number) - (y[a] as number), (z[b] as number) - (z[a] as number)];
      const length = Math.hypot(dx, dy, dz) || 1e-9;
      const short = ((lengths[n] as number) - length) / length;
      const flat = short * 0.5 * 0.05;
      // What cannot stretch goes upwards, the higher end more than the lower one.
      const rise = short * 0.5 * (short > 0 ? 0.9 : 0.5);
      x[a] = (x[a] as number) - dx * flat;
      z[a] = (z[a] as number) - dz * flat;
      x[b] = (x[b] as number) + dx * flat;
      z[b] = (z[b] as number) + dz * flat;
      y[a] = (y[a] as number) - dy * rise * (free[a] as number);
      y[b] = (y[b] as number) + dy * rise * (free[b] as number);
    }
    for (let at = 0; at < count; at++) {
      // Weight draws it down; the table holds it.
      y[at] = Math.max(base[at] as number, (y[at] as number) - 0.0035);
    }
  }
  const wide = columns + 1;
  // A last smoothing of the heights: cloth has no creases finer than its thread.
  for (let round = 0; round < 7; round++) {
    const before = Float64Array.from(y);
    for (let r = 1; r < rows; r++)
      for (let c = 1; c < columns; c++) {
        const at = r * wide + c;
        if (!used[at - 1] || !used[at + 1] || !used[at - wide] || !used[at + wide]) continue;
        y[at] =
          0.5 * (before[at] as number) +
          0.125 * ((before[at - 1] as number) + (before[at + 1] as number) + (before[at - wide] as number) + (before[at + wide] as number));
      }
  }
  const index = (s: number, t: number) => Math.round(t * rows) * wide + Math.round(s * columns);
  builder.surface(
    material,
    columns,
    rows,
    (s, t) => {
      const at = index(s, t);
      return place([x[at] as number, y[at] as number, z[at] as number]);
    },
    {
      wanted: (s, t) => {
        const at = Math.floor(t * rows) * wide + Math.floor(s * columns);
        return (
          [at, at + 1, at + wide, at + wide + 1].every((each) => used[each] === 1) &&
          insideOrOn(outline, fx, fz, [at, at + 1, at + wide, at + wide + 1])
        );
      },
      uv: (s, t) => {
        const at = index(s, t);
        return [
          ((fx[at] as number) - window.left) / (window.right - window.left),
          ((fz[at] as number) - window.top) / (window.bottom - window.top),
        ];
      },
    },
  );
}

const insideOrOn = (outline: Outline, fx: Float64Array, fz: Float64Array, corners: readonly number[]): boolean => {
  const mean = (values: Float64Array) => corners.reduce((sum, at) => sum + (values[at] as number), 0) / corners.length;
  return inside(outline, mean(fx), mean(fz));
};

/** A smooth closed line through points, with corners where a point is given twice. */
export function curved(points: readonly (readonly [number, number])[], each = 10): Outline {
  const made: [number, number][] = [];
  const n = points.length;
  const at = (k: number) => points[(k + n) % n] as readonly [number, number];
  for (let k = 0; k < n; k++) {
    const [p0, p1, p2, p3] = [at(k - 1), at(k), at(k + 1), at(k + 2)];
    if (Math.hypot(p2[0] - p1[0], p2[1] - p1[1]) < 1e-6) continue;
    for (let step = 0; step < each; step++) {
      const t = step / each;
      // Catmull and Rom's spline.
      const mix = (axis: 0 | 1) =>
        0.5 *
        (2 * p1[axis] +
          (p2[axis] - p0[axis]) * t +
          (2 * p0[axis] - 5 * p1[axis] + 4 * p2[axis] - p3[axis]) * t * t +
          (3 * p1[axis] - p0[axis] - 3 * p2[axis] + p3[axis]) * t * t * t);
      made.push([mix(0), mix(1)]);
    }
  }
  return made;
}

/** The loops of a knitted cloth, as a factor on light: fine columns of small stitches. */
export const jersey = (u: number, v: number): number => {
  const [column, row] = [u * 13, v * 17];
  const stitch = Math.abs((((column % 1) + 1) % 1) - 0.5) * 2;
  const slant = 0.5 + 0.5 * Math.sin((row + stitch * 0.5) * 2 * Math.PI);
  return (
    0.93 +
    0.09 * slant * (0.6 + 0.4 * noise(u * 9, v * 9, 1)) +
    0.05 * (noise(u * 30, v * 4, 2) - 0.5) +
    0.05 * (layered(u / 2, v / 2, 3, 3) - 0.5)
  );
};

/** The threads of canvas, as a factor on light. */
export const canvasWeave = (u: number, v: number): number => {
  const [a, b] = [Math.sin(u * 62), Math.sin(v * 62)];
  return 0.94 + 0.07 * (a * b) + 0.06 * (noise(u * 3, v * 40, 4) + noise(u * 40, v * 3, 5) - 1);
};
