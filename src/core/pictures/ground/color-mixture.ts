import type { ColorPlanes } from './superpixels';

/** Parts of a mixture, and rounds of finding them. */
const [PARTS, ROUNDS] = [5, 6];
/** Added to every variance, in squared units of the planes: a single color is no point. */
const LEAST_VARIANCE = 0.6;

interface Part {
  /** −log of its share and of what its spread takes, and its middle, and the inverse of its spread. */
  readonly base: number;
  readonly mean: readonly [number, number, number];
  readonly inverse: readonly [number, number, number, number, number, number];
}

/** How surely a color belongs to a group of pixels: −log of its likelihood, of the likeliest part. */
export type ColorMixture = (l: number, a: number, b: number) => number;

/**
 * The colors of some pixels as a mixture of normal distributions.
 * @param members indices of pixels, at least one
 * @source C. Rother, V. Kolmogorov, A. Blake, "GrabCut", SIGGRAPH 2004
 */
export function colorMixture([l, a, b]: ColorPlanes, members: Int32Array): ColorMixture {
  const stride = Math.max(1, Math.floor(members.length / 12_000));
  const taken = members.filter((_, index) => index % stride === 0);
  const at = (index: number): readonly [number, number, number] => [l[index] as number, a[index] as number, b[index] as number];
  // Begun from colors far apart, so that nothing depends on chance.
  const mean0 = [0, 0, 0];
  for (const index of taken) at(index).forEach((value, k) => (mean0[k] = (mean0[k] as number) + value / taken.length));
  let means: (readonly number[])[] = [mean0];
  const nearest = new Float32Array(taken.length).fill(Infinity);
  const spread = (to: readonly number[]): number => {
    let [far, where] = [-1, 0];
    taken.forEach((index, n) => {
      const [x, y, z] = at(index);
      const away = (x - (to[0] as number)) ** 2 + (y - (to[1] as number)) ** 2 + (z - (to[2] as number)) ** 2;
      if (away < (nearest[n] as number)) nearest[n] = away;
      if ((nearest[n] as number) > far) [far, where] = [nearest[n] as number, n];
    });
    return where;
  };
  while (means.length < Math.min(PARTS, taken.length)) {
    const where = spread(means[means.length - 1] as readonly number[]);
    means.push(at(taken[where] as number));
  }
  const group = new Uint8Array(taken.length);
  for (let round = 0; round < ROUNDS; round++) {
    const sums = means.map(() => [0, 0, 0, 0]);
    taken.forEach((index, n) => {
      const [x, y, z] = at(index);
      let [best, which] = [Infinity, 0];
      means.forEach((mean, k) => {
        const away = (x - (mean[0] as number)) ** 2 + (y - (mean[1] as number)) ** 2 + (z - (mean[2] as number)) ** 2;
        if (away < best) [best, which] = [away, k];
      });
      group[n] = which;
      const sum = sums[which] as number[];
      [sum[0], sum[1], sum[2], sum[3]] = [(sum[0] as number) + x, (sum[1] as number) + y, (sum[2] as number) + z, (sum[3] as number) + 1];
    });
    means = sums.map((sum, k) => (sum[3] ? [0, 1, 2].map((axis) => (sum[axis] as number) / (sum[3] as number)) : (means[k] as number[])));
  }
  const parts = means.flatMap((mean, k): Part[] => {
    const [ml, ma, mb] = mean as unknown as readonly [number, number, number];
    let [count, xx, xy, xz, yy, yz, zz] = [0, 0, 0, 0, 0, 0, 0];
    taken.forEach((index, n) => {
      if (group[n] !== k) return;
      const [x, y, z] = [(l[index] as number) - ml, (a[index] as number) - ma, (b[index] as number) - mb];
      [count, xx, xy, xz, yy, yz, zz] = [count + 1, xx + x * x, xy + x * y, xz + x * z, yy + y * y, yz + y * z, zz + z * z];
    });
    if (count === 0) return [];
    const [a11, a22, a33] = [xx / count + LEAST_VARIANCE, yy / count + LEAST_VARIANCE, zz / count + LEAST_VARIANCE];
    const [a12, a13, a23] = [xy / count, xz / count, yz / count];
    const [c11, c12, c13] = [a22 * a33 - a23 * a23, a13 * a23 - a12 * a33, a12 * a23 - a13 * a22];
    const det = a11 * c11 + a12 * c12 + a13 * c13;
    const inverse = [
      c11 / det,
      c12 / det,
      c13 / det,
      (a11 * a33 - a13 * a13) / det,
      (a12 * a13 - a11 * a23) / det,
      (a11 * a22 - a12 * a12) / det,
    ] as const;
    return [{ base: -Math.log(count / taken.length) + 0.5 * Math.log(det), mean: [ml, ma, mb], inverse }];
  });
  return (x, y, z) => {
    let best = Infinity;
    for (const { base, mean, inverse } of parts) {
      const [dx, dy, dz] = [x - mean[0], y - mean[1], z - mean[2]];
      const square =
        dx * dx * inverse[0] +
        dy * dy * inverse[3] +
        dz * dz * inverse[5] +
        2 * (dx * dy * inverse[1] + dx * dz * inverse[2] + dy * dz * inverse[4]);
      const cost = base + 0.5 * square;
      if (cost < best) best = cost;
    }
    return best;
  };
}
