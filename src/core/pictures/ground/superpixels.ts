/** Small patches of like color that a picture falls into. */
export interface Superpixels {
  readonly count: number;
  /** By pixel. */
  readonly of: Int32Array;
  /** Mean color of each, three numbers, and its middle in pixels, and how many pixels it has. */
  readonly color: Float32Array;
  readonly x: Float32Array;
  readonly y: Float32Array;
  readonly size: Float32Array;
  /** Pixels of it at the picture's rim. */
  readonly atRim: Float32Array;
  /** Neighbors of each. */
  readonly near: readonly ReadonlySet<number>[];
}

/** Colors of a picture in three planes whose distances are those that are seen: about those of CIELAB. */
export type ColorPlanes = readonly [Float32Array, Float32Array, Float32Array];

const ROUNDS = 8;
/** How much nearness counts against color. */
const COMPACTNESS = 12;

/**
 * Patches of about equal size that keep to the edges of a picture.
 * @param wanted about how many
 * @source R. Achanta et al., "SLIC superpixels", IEEE PAMI 34(11), 2012
 */
export function superpixels([l, a, b]: ColorPlanes, columns: number, rows: number, wanted: number): Superpixels {
  const step = Math.max(2, Math.sqrt((columns * rows) / wanted));
  const [wide, high] = [Math.max(1, Math.round(columns / step)), Math.max(1, Math.round(rows / step))];
  const centers = wide * high;
  const [cl, ca, cb, cx, cy] = Array.from({ length: 5 }, () => new Float64Array(centers)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  for (let v = 0; v < high; v++)
    for (let u = 0; u < wide; u++) {
      const k = v * wide + u;
      const [x, y] = [Math.floor(((u + 0.5) * columns) / wide), Math.floor(((v + 0.5) * rows) / high)];
      const at = y * columns + x;
      [cl[k], ca[k], cb[k], cx[k], cy[k]] = [l[at] as number, a[at] as number, b[at] as number, x, y];
    }
  const of = new Int32Array(columns * rows);
  const best = new Float32Array(columns * rows);
  const spatial = (COMPACTNESS / step) ** 2;
  for (let round = 0; round < ROUNDS; round++) {
    best.fill(Infinity);
    for (let k = 0; k < centers; k++) {
      const [x0, x1] = [Math.max(0, Math.floor((cx[k] as number) - step)), Math.min(columns - 1, Math.ceil((cx[k] as number) + step))];
      const [y0, y1] = [Math.max(0, Math.floor((cy[k] as number) - step)), Math.min(rows - 1, Math.ceil((cy[k] as number) + step))];
      const [ll, aa, bb, xx, yy] = [cl[k] as number, ca[k] as number, cb[k] as number, cx[k] as number, cy[k] as number];
      for (let y = y0; y <= y1; y++)
        for (let x = x0; x <= x1; x++) {
          const at = y * columns + x;
          const color = ((l[at] as number) - ll) ** 2 + ((a[at] as number) - aa) ** 2 + ((b[at] as number) - bb) ** 2;
          const away = color + spatial * ((x - xx) ** 2 + (y - yy) ** 2);
          if (away < (best[at] as number)) [best[at], of[at]] = [away, k];
        }
    }
    const counts = new Float64Array(centers);
    for (const list of [cl, ca, cb, cx, cy]) list.fill(0);
    for (let y = 0; y < rows; y++)
      for (let x = 0; x < columns; x++) {
        const at = y * columns + x;
        const k = of[at] as number;
        cl[k] = (cl[k] as number) + (l[at] as number);
        ca[k] = (ca[k] as number) + (a[at] as number);
        cb[k] = (cb[k] as number) + (b[at] as number);
        cx[k] = (cx[k] as number) + x;
        cy[k] = (cy[k] as number) + y;
        counts[k] = (counts[k] as number) + 1;
      }
    for (let k = 0; k < centers; k++) {
      const n = counts[k] || 1;
      for (const list of [cl, ca, cb, cx, cy]) list[k] = (list[k] as number) / n;
    }
  }
  const [size, atRim] = [new Float32Array(centers), new Float32Array(centers)];
  const near = Array.from({ length: centers }, () => new Set<number>());
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) {
      const at = y * columns + x;
      const k = of[at] as number;
      size[k] = (size[k] as number) + 1;
      if (x === 0 || y === 0 || x === columns - 1 || y === rows - 1) atRim[k] = (atRim[k] as number) + 1;
      for (const other of [x + 1 < columns ? of[at + 1] : k, y + 1 < rows ? of[at + columns] : k] as number[])
        if (other !== k) {
          near[k]?.add(other);
          near[other]?.add(k);
        }
    }
  const color = new Float32Array(centers * 3);
  for (let k = 0; k < centers; k++) color.set([cl[k] as number, ca[k] as number, cb[k] as number], k * 3);
  return { count: centers, of, color, x: Float32Array.from(cx), y: Float32Array.from(cy), size, atRim, near };
}

/** How far two patches are apart in color. */
export const apart = ({ color }: Superpixels, one: number, other: number): number =>
  Math.hypot(
    (color[one * 3] as number) - (color[other * 3] as number),
    (color[one * 3 + 1] as number) - (color[other * 3 + 1] as number),
    (color[one * 3 + 2] as number) - (color[other * 3 + 2] as number),
  );

/** The steps between neighboring patches, ready to be walked many times. */
export interface ColorSteps {
  readonly count: number;
  /** By patch: its neighbors, and how far each is in color. */
  readonly to: readonly Int32Array[];
  readonly step: readonly Float32Array[];
}

/**
 * @param least steps smaller than this count nothing: a gradient is one surface
 * @param rimJoined whether all patches at the picture's rim are neighbors
 */
export function colorSteps(patches: Superpixels, least: number, rimJoined: boolean): ColorSteps {
  const { count, near, atRim } = patches;
  const rim = rimJoined ? Array.from({ length: count }, (_, k) => k).filter((k) => (atRim[k] as number) > 0) : [];
  const to = near.map((others, k) =>
    Int32Array.from(new Set([...others, ...((atRim[k] as number) > 0 ? rim : [])])).filter((j) => j !== k),
  );
  const step = to.map((others, k) => Float32Array.from(others, (j) => Math.max(0, apart(patches, k, j) - least)));
  return { count, to, step };
}

/**
 * The least sum of color steps from some patches to every other, from neighbor to neighbor.
 * @source E. Dijkstra, Numerische Mathematik 1, 1959
 */
export function colorWays({ count, to, step }: ColorSteps, from: readonly number[]): Float32Array {
  const far = new Float32Array(count).fill(Infinity);
  const done = new Uint8Array(count);
  for (const k of from) far[k] = 0;
  for (;;) {
    let at = -1;
    let nearest = Infinity;
    for (let k = 0; k < count; k++) if (done[k] === 0 && (far[k] as number) < nearest) [at, nearest] = [k, far[k] as number];
    if (at < 0) return far;
    done[at] = 1;
    const [others, steps] = [to[at] as Int32Array, step[at] as Float32Array];
    for (let n = 0; n < others.length; n++) {
      const way = nearest + (steps[n] as number);
      const other = others[n] as number;
      if (way < (far[other] as number)) far[other] = way;
    }
  }
}
