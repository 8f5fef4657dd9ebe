import type { Mesh } from './mesh';

/** What a ray met last; written by `meet`. */
export interface Hit {
  t: number;
  triangle: number;
  u: number;
  v: number;
}

/**
 * Triangles in a tree of boxes, split by the surface-area heuristic over bins.
 * @source I. Wald, "On fast Construction of SAH-based Bounding Volume Hierarchies", 2007; T. Möller, B. Trumbore, "Fast, Minimum Storage Ray/Triangle Intersection", 1997
 */
export class Tree {
  readonly hit: Hit = { t: 0, triangle: -1, u: 0, v: 0 };
  readonly #boxes: Float32Array;
  /** Of a leaf: its first triangle; of a fork: its second child (the first follows it). */
  readonly #link: Int32Array;
  /** Of a leaf: how many triangles; of a fork: −1 − the axis along which its children lie. */
  readonly #count: Int32Array;
  readonly #order: Int32Array;
  readonly #corner: Float32Array;
  readonly #stack = new Int32Array(64);

  constructor(mesh: Mesh) {
    const { positions, triangles } = mesh;
    const count = triangles.length / 3;
    const [low, high, middle] = [new Float32Array(count * 3), new Float32Array(count * 3), new Float32Array(count * 3)];
    for (let t = 0; t < count; t++)
      for (let axis = 0; axis < 3; axis++) {
        const at = (corner: number) => positions[(triangles[t * 3 + corner] as number) * 3 + axis] as number;
        low[t * 3 + axis] = Math.min(at(0), at(1), at(2)) - 1e-5;
        high[t * 3 + axis] = Math.max(at(0), at(1), at(2)) + 1e-5;
        middle[t * 3 + axis] = (at(0) + at(1) + at(2)) / 3;
      }
    const order = Int32Array.from({ length: count }, (_, n) => n);
    const [boxes, link, counts]: [number[], number[], number[]] = [[], [], []];
    const build = (from: number, to: number): void => {
      const node = link.length;
      const box = [Infinity, Infinity, Infinity, -Infinity, -Infinity, -Infinity];
      const around = [Infinity, Infinity, Infinity, -Infinity, -Infinity, -Infinity];
      for (let n = from; n < to; n++)
        for (let axis = 0; axis < 3; axis++) {
          const t = (order[n] as number) * 3 + axis;
          box[axis] = Math.min(box[axis] as number, low[t] as number);
          box[axis + 3] = Math.max(box[axis + 3] as number, high[t] as number);
          around[axis] = Math.min(around[axis] as number, middle[t] as number);
          around[axis + 3] = Math.max(around[axis + 3] as number, middle[t] as number);
        }
      boxes.push(...box);
      link.push(from);
      counts.push(to - from);
      if (to - from <= 4) return;
      const best = { cost: to - from, axis: -1, at: 0 };
      const area = (b: readonly number[]) => {
        const [x, y, z] = [0, 1, 2].map((axis) => Math.max(0, (b[axis + 3] as number) - (b[axis] as number))) as [number, number, number];
        return x * y + y * z + z * x;
      };
      const whole = area(box);
      const BINS = 12;
      for (let axis = 0; axis < 3; axis++) {
        const [start, wide] = [around[axis] as number, (around[axis + 3] as number) - (around[axis] as number)];
        if (wide < 1e-7) continue;
        const bins = Array.from({ length: BINS }, () => ({ n: 0, box: [Infinity, Infinity, Infinity, -Infinity, -Infinity, -Infinity] }));
        const grow = (to_: number[], b: ArrayLike<number>, at: number, c: ArrayLike<number>, at2: number) => {
          for (let k = 0; k < 3; k++) {
            to_[k] = Math.min(to_[k] as number, b[at + k] as number);
            to_[k + 3] = Math.max(to_[k + 3] as number, c[at2 + k] as number);
          }
        };
        for (let n = from; n < to; n++) {
          const t = order[n] as number;
          const bin = bins[Math.min(BINS - 1, Math.floor((((middle[t * 3 + axis] as number) - start) / wide) * BINS))];
          if (!bin) continue;
          bin.n++;
          grow(bin.box, low, t * 3, high, t * 3);
        }
        const left = bins.map(() => 0);
        const running = [Infinity, Infinity, Infinity, -Infinity, -Infinity, -Infinity];
        let seen = 0;
        bins.forEach((bin, n) => {
          grow(running, bin.box, 0, bin.box, 3);
          seen += bin.n;
          left[n] = seen * area(running);
        });
        const back = [Infinity, Infinity, Infinity, -Infinity, -Infinity, -Infinity];
        let after = 0;
        for (let n = BINS - 1; n > 0; n--) {
          grow(back, bins[n]?.box ?? [], 0, bins[n]?.box ?? [], 3);
          after += bins[n]?.n ?? 0;
          const cost = 1 + ((left[n - 1] as number) + after * area(back)) / whole;
          if (after > 0 && after < to - from && cost < best.cost) Object.assign(best, { cost, axis, at: start + (wide * n) / BINS });
        }
      }
      if (best.axis < 0) return;
      let [i, j] = [from, to - 1];
      while (i <= j) {
        if ((middle[(order[i] as number) * 3 + best.axis] as number) < best.at) i++;
        else {
          const kept = order[i] as number;
          order[i] = order[j] as number;
          order[j--] = kept;
        }
      }
      if (i === from || i === to) return;
      counts[node] = -1 - best.axis;
      build(from, i);
      link[node] = link.length;
      build(i, to);
    };
    build(0, count);
    this.#boxes = Float32Array.from(boxes);
    this.#link = Int32Array.from(link);
    this.#count = Int32Array.from(counts);
    this.#order = order;
    this.#corner = new Float32Array(count * 9);
    for (let n = 0; n < count; n++) {
      const t = order[n] as number;
      for (let axis = 0; axis < 3; axis++) {
        const at = (corner: number) => positions[(triangles[t * 3 + corner] as number) * 3 + axis] as number;
        this.#corner[n * 9 + axis] = at(0);
        this.#corner[n * 9 + 3 + axis] = at(1) - at(0);
        this.#corner[n * 9 + 6 + axis] = at(2) - at(0);
      }
    }
  }

  /** The nearest triangle along a ray, into `hit`. @param any ends at the first one found: for shadows */
  meet(ox: number, oy: number, oz: number, dx: number, dy: number, dz: number, far: number, any = false): boolean {
    const [boxes, links, counts, corner, stack] = [this.#boxes, this.#link, this.#count, this.#corner, this.#stack];
    const [ix, iy, iz] = [1 / dx, 1 / dy, 1 / dz];
    let best = far;
    let found = -1;
    let [bestU, bestV] = [0, 0];
    let depth = 0;
    let node = 0;
    for (;;) {
      const b = node * 6;
      let near = 0;
      let end = best;
      let t0 = ((boxes[b] as number) - ox) * ix;
      let t1 = ((boxes[b + 3] as number) - ox) * ix;
      if (t0 > t1) [t0, t1] = [t1, t0];
      if (t0 > near) near = t0;
      if (t1 < end) end = t1;
      t0 = ((boxes[b + 1] as number) - oy) * iy;
      t1 = ((boxes[b + 4] as number) - oy) * iy;
      if (t0 > t1) [t0, t1] = [t1, t0];
      if (t0 > near) near = t0;
      if (t1 < end) end = t1;
      t0 = ((boxes[b + 2] as number) - oz) * iz;
      t1 = ((boxes[b + 5] as number) - oz) * iz;
      if (t0 > t1) [t0, t1] = [t1, t0];
      if (t0 > near) near = t0;
      if (t1 < end) end = t1;
      if (near <= end) {
        const n = counts[node] as number;
        if (n < 0) {
          // The nearer child first: what it holds often hides the other.
          const away = n === -1 ? dx : n === -2 ? dy : dz;
          if (away >= 0) {
            stack[depth++] = links[node] as number;
            node++;
          } else {
            stack[depth++] = node + 1;
            node = links[node] as number;
          }
          continue;
        }
        const first = links[node] as number;
        for (let k = first; k < first + n; k++) {
          const c = k * 9;
          const e1x = corner[c + 3] as number;
          const e1y = corner[c + 4] as number;
          const e1z = corner[c + 5] as number;
          const e2x = corner[c + 6] as number;
          const e2y = corner[c + 7] as number;
          const e2z = corner[c + 8] as number;
          const px = dy * e2z - dz * e2y;
          const py = dz * e2x - dx * e2z;
          const pz = dx * e2y - dy * e2x;
          const det = e1x * px + e1y * py + e1z * pz;
          if (det > -1e-12 && det < 1e-12) continue;
          const inv = 1 / det;
          const sx = ox - (corner[c] as number);
          const sy = oy - (corner[c + 1] as number);
          const sz = oz - (corner[c + 2] as number);
          const u = (sx * px + sy * py + sz * pz) * inv;
          if (u < -1e-6 || u > 1.000001) continue;
          const qx = sy * e1z - sz * e1y;
          const qy = sz * e1x - sx * e1z;
          const qz = sx * e1y - sy * e1x;
          const v = (dx * qx + dy * qy + dz * qz) * inv;
          if (v < -1e-6 || u + v > 1.000001) continue;
          const t = (e2x * qx + e2y * qy + e2z * qz) * inv;
          if (t > 1e-4 && t < best) {
            if (any) return true;
            best = t;
            found = k;
            bestU = u;
            bestV = v;
          }
        }
      }
      if (depth === 0) break;
      node = stack[--depth] as number;
    }
    if (found < 0) return false;
    this.hit.t = best;
    this.hit.triangle = this.#order[found] as number;
    this.hit.u = bestU;
    this.hit.v = bestV;
    return true;
  }
}
