import { boxMean } from '../tones/guided';
import { scaledDown, type Pixels } from '../pixels';
import { pixelsUnder, type Stroke } from './strokes';
import type { Subject } from './subject';

/** Longest side at which soft edges are worked out. */
export const MATTE_SIDE = 820;
/** How far the edge may be from where the parting put it, inward and outward, as shares of the longer side. */
const [INWARD, OUTWARD] = [0.012, 0.026];
/** Regularization of the guided filter, in squared units of colors from 0 to 1. */
const EPSILON = 1e-4;
/** How far a color may be from the line between the subject's and the ground's to be told by it: 0 to 1. */
const LINE_SIGMA = 22 / 255;
/** Alpha is stretched: what is nearly clear is clear. */
const [FOOT, SPAN] = [0.06, 0.88];

/** How much of every pixel is subject, and what color the subject and the ground have there. */
export interface Matte {
  readonly columns: number;
  readonly rows: number;
  readonly alpha: Float32Array;
  /** 1 where the edge may be: only there colors are cleaned. */
  readonly band: Uint8Array;
  /** The ground's color near every pixel of the band, three planes, 0 to 1. */
  readonly ground: readonly [Float32Array, Float32Array, Float32Array];
  readonly subject: readonly [Float32Array, Float32Array, Float32Array];
}

/** Pixels within a distance of those of a mask. @source P. Felzenszwalb, D. Huttenlocher, "Distance transforms of sampled functions", Theory of Computing 8, 2012 */
function distanceTo(mask: Uint8Array, value: number, columns: number, rows: number): Float32Array {
  const far = 1e12;
  const squares = Float64Array.from(mask, (each) => (each === value ? 0 : far));
  const longest = Math.max(columns, rows);
  const [line, out] = [new Float64Array(longest), new Float64Array(longest)];
  const [hulls, bounds] = [new Int32Array(longest), new Float64Array(longest + 1)];
  const pass = (count: number, start: number, step: number): void => {
    for (let q = 0; q < count; q++) line[q] = squares[start + q * step] as number;
    let k = 0;
    hulls[0] = 0;
    bounds[0] = -far;
    bounds[1] = far;
    for (let q = 1; q < count; q++) {
      let s: number;
      for (;;) {
        const p = hulls[k] as number;
        s = ((line[q] as number) + q * q - ((line[p] as number) + p * p)) / (2 * q - 2 * p);
        if (s > (bounds[k] as number) || k === 0) break;
        k--;
      }
      if (s <= (bounds[k] as number)) s = bounds[k] as number;
      k++;
      hulls[k] = q;
      bounds[k] = s;
      bounds[k + 1] = far;
    }
    k = 0;
    for (let q = 0; q < count; q++) {
      while ((bounds[k + 1] as number) < q) k++;
      const p = hulls[k] as number;
      out[q] = (q - p) ** 2 + (line[p] as number);
    }
    for (let q = 0; q < count; q++) squares[start + q * step] = out[q] as number;
  };
  for (let x = 0; x < columns; x++) pass(rows, x, columns);
  for (let y = 0; y < rows; y++) pass(columns, y * columns, 1);
  return Float32Array.from(squares, Math.sqrt);
}

/**
 * The soft edge of a subject: hair, fur and out-of-focus rims keep how much of each pixel they cover.
 * @source K. He, J. Sun, X. Tang, "Guided image filtering" (color guide), IEEE PAMI 35(6), 2013; the line between two colors as in blue-screen
 * work, A. R. Smith, J. Blinn, SIGGRAPH 1996
 */
export function matteOf(pixels: Pixels, subject: Subject, strokes: readonly Stroke[]): Matte {
  const small = scaledDown(pixels, MATTE_SIDE);
  const { columns, rows, rgba } = small;
  const count = columns * rows;
  const longer = Math.max(columns, rows);
  const hard = new Uint8Array(count);
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++)
      hard[y * columns + x] =
        smoothMask(subject, ((x + 0.5) * subject.columns) / columns - 0.5, ((y + 0.5) * subject.rows) / rows - 0.5) >= 0.5 ? 1 : 0;
  // Strokes are as fine as they were drawn.
  const said = new Uint8Array(count);
  for (const stroke of strokes)
    pixelsUnder(stroke, columns, rows, (at) => {
      said[at] = stroke.as === 'keep' ? 2 : 1;
      hard[at] = stroke.as === 'keep' ? 1 : 0;
    });
  const [toSubject, toGround] = [distanceTo(hard, 1, columns, rows), distanceTo(hard, 0, columns, rows)];
  const band = new Uint8Array(count);
  const [inward, outward] = [INWARD * longer, OUTWARD * longer];
  for (let at = 0; at < count; at++)
    if (!said[at]) band[at] = hard[at] ? ((toGround[at] as number) <= inward ? 1 : 0) : (toSubject[at] as number) <= outward ? 1 : 0;
  const planes = [0, 1, 2].map((channel) => Float32Array.from({ length: count }, (_, at) => (rgba[at * 4 + channel] as number) / 255)) as [
    Float32Array,
    Float32Array,
    Float32Array,
  ];
  const reach = Math.max(2, Math.round(0.8 * inward));
  const trusted = Float32Array.from(hard);
  const guided = guidedAlpha(planes, trusted, columns, rows, reach);
  // Colors of what is surely subject and surely ground around every pixel.
  const sure = (value: 0 | 1): Float32Array => Float32Array.from(hard, (each, at) => (each === value && !band[at] ? 1 : 0));
  const around = Math.round(1.6 * outward + inward);
  const colorsOf = (weight: Float32Array): [Float32Array, Float32Array, Float32Array] => {
    const weights = boxMean(weight, columns, rows, around);
    const wider = boxMean(weight, columns, rows, 4 * around);
    return planes.map((plane) => {
      const weighted = plane.map((value, at) => value * (weight[at] as number));
      const [near, far] = [boxMean(weighted, columns, rows, around), boxMean(weighted, columns, rows, 4 * around)];
      return plane.map((value, at) =>
        (weights[at] as number) > 1e-4
          ? (near[at] as number) / (weights[at] as number)
          : (wider[at] as number) > 1e-5
            ? (far[at] as number) / (wider[at] as number)
            : value,
      );
    }) as [Float32Array, Float32Array, Float32Array];
  };
  const [front, behind] = [colorsOf(sure(1)), colorsOf(sure(0))];
  const alpha = Float32Array.from(hard);
  for (let at = 0; at < count; at++) {
    if (!band[at]) continue;
    let [dot, length] = [0, 0];
    for (let k = 0; k < 3; k++) {
      const [f, b, c] = [front[k]?.[at] as number, behind[k]?.[at] as number, planes[k]?.[at] as number];
      dot += (c - b) * (f - b);
      length += (f - b) ** 2;
    }
    const onLine = length > 1e-6 ? Math.min(1, Math.max(0, dot / length)) : 0.5;
    let residual = 0;
    for (let k = 0; k < 3; k++) {
      const [f, b, c] = [front[k]?.[at] as number, behind[k]?.[at] as number, planes[k]?.[at] as number];
      residual += (c - b - onLine * (f - b)) ** 2;
    }
    // The line tells where colors lie on it and its ends are apart; else the filter does.
    const tells = Math.exp(-residual / (2 * LINE_SIGMA * LINE_SIGMA)) * Math.min(1, length / 0.02);
    const mixed = tells * onLine + (1 - tells) * Math.min(1, Math.max(0, guided[at] as number));
    alpha[at] = Math.min(1, Math.max(0, (mixed - FOOT) / SPAN));
  }
  joinLoose(alpha, hard, columns, rows);
  return { columns, rows, alpha, band, ground: behind, subject: front };
}

/** Crumbs of the band that hang on nothing of the subject go with the ground. */
function joinLoose(alpha: Float32Array, hard: Uint8Array, columns: number, rows: number): void {
  const reached = new Uint8Array(alpha.length);
  const stack: number[] = [];
  for (let at = 0; at < alpha.length; at++)
    if (hard[at] && (alpha[at] as number) > 0.5) {
      reached[at] = 1;
      stack.push(at);
    }
  for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
    const [x, y] = [at % columns, Math.floor(at / columns)];
    for (const [dx, dy] of [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
    ] as const) {
      const [px, py] = [x + dx, y + dy];
      const near = py * columns + px;
      if (px < 0 || py < 0 || px >= columns || py >= rows || reached[near] || (alpha[near] as number) < 0.08) continue;
      reached[near] = 1;
      stack.push(near);
    }
  }
  for (let at = 0; at < alpha.length; at++) if (!reached[at]) alpha[at] = 0;
}

/** The mask between its pixels, its stairs rounded. */
function smoothMask({ columns, rows, mask }: Subject, x: number, y: number): number {
  let [sum, weights] = [0, 0];
  const [cx, cy] = [Math.round(x), Math.round(y)];
  for (let dy = -2; dy <= 2; dy++)
    for (let dx = -2; dx <= 2; dx++) {
      const [px, py] = [Math.min(columns - 1, Math.max(0, cx + dx)), Math.min(rows - 1, Math.max(0, cy + dy))];
      const weight = Math.exp(-((cx + dx - x) ** 2 + (cy + dy - y) ** 2) / 1.4);
      sum += weight * (mask[py * columns + px] as number);
      weights += weight;
    }
  return sum / weights;
}

/** The mask as a straight-line function of the colors around every pixel. */
function guidedAlpha(
  guide: readonly [Float32Array, Float32Array, Float32Array],
  mask: Float32Array,
  columns: number,
  rows: number,
  reach: number,
): Float32Array {
  const mean = (plane: Float32Array): Float32Array => boxMean(plane, columns, rows, reach);
  const times = (one: Float32Array, other: Float32Array): Float32Array => one.map((value, at) => value * (other[at] as number));
  const [r, g, b] = guide;
  const [mr, mg, mb, mp] = [mean(r), mean(g), mean(b), mean(mask)];
  const [rr, rg, rb, gg, gb, bb] = [
    mean(times(r, r)),
    mean(times(r, g)),
    mean(times(r, b)),
    mean(times(g, g)),
    mean(times(g, b)),
    mean(times(b, b)),
  ];
  const [rp, gp, bp] = [mean(times(r, mask)), mean(times(g, mask)), mean(times(b, mask))];
  const count = mask.length;
  const [ar, ag, ab, offset] = [new Float32Array(count), new Float32Array(count), new Float32Array(count), new Float32Array(count)];
  for (let at = 0; at < count; at++) {
    const [x, y, z, p] = [mr[at] as number, mg[at] as number, mb[at] as number, mp[at] as number];
    const [a11, a12, a13] = [(rr[at] as number) - x * x + EPSILON, (rg[at] as number) - x * y, (rb[at] as number) - x * z];
    const [a22, a23, a33] = [(gg[at] as number) - y * y + EPSILON, (gb[at] as number) - y * z, (bb[at] as number) - z * z + EPSILON];
    const [v1, v2, v3] = [(rp[at] as number) - x * p, (gp[at] as number) - y * p, (bp[at] as number) - z * p];
    const [c11, c12, c13] = [a22 * a33 - a23 * a23, a13 * a23 - a12 * a33, a12 * a23 - a13 * a22];
    const det = a11 * c11 + a12 * c12 + a13 * c13 || 1;
    const [c22, c23, c33] = [a11 * a33 - a13 * a13, a12 * a13 - a11 * a23, a11 * a22 - a12 * a12];
    const [kr, kg, kb] = [
      (c11 * v1 + c12 * v2 + c13 * v3) / det,
      (c12 * v1 + c22 * v2 + c23 * v3) / det,
      (c13 * v1 + c23 * v2 + c33 * v3) / det,
    ];
    [ar[at], ag[at], ab[at], offset[at]] = [kr, kg, kb, p - kr * x - kg * y - kb * z];
  }
  const [br, bg, bblue, bo] = [mean(ar), mean(ag), mean(ab), mean(offset)];
  return mask.map(
    (_, at) =>
      (br[at] as number) * (r[at] as number) +
      (bg[at] as number) * (g[at] as number) +
      (bblue[at] as number) * (b[at] as number) +
      (bo[at] as number),
  );
}

/** A value between the pixels of a plane. */
const between = (plane: Float32Array, columns: number, rows: number, x: number, y: number): number => {
  const [cx, cy] = [Math.min(columns - 1, Math.max(0, x)), Math.min(rows - 1, Math.max(0, y))];
  const [x0, y0] = [Math.floor(cx), Math.floor(cy)];
  const [x1, y1] = [Math.min(columns - 1, x0 + 1), Math.min(rows - 1, y0 + 1)];
  const [fx, fy] = [cx - x0, cy - y0];
  const at = (px: number, py: number): number => plane[py * columns + px] as number;
  return (at(x0, y0) * (1 - fx) + at(x1, y0) * fx) * (1 - fy) + (at(x0, y1) * (1 - fx) + at(x1, y1) * fx) * fy;
};

/**
 * The subject alone, at full size: clear where the ground was, and the ground's color taken out of what is mixed.
 * @param rgba changed in place, row after row: large pictures need no second copy
 * @source M. Forte, F. Pitié, "Approximate fast foreground colour estimation", ICIP 2021 (its last step, from colors around)
 */
export function cutOut({ columns, rows, rgba }: Pixels, matte: Matte): void {
  const [sx, sy] = [matte.columns / columns, matte.rows / rows];
  const fits = matte.columns === columns && matte.rows === rows;
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) {
      const at = (y * columns + x) * 4;
      const [u, v] = [(x + 0.5) * sx - 0.5, (y + 0.5) * sy - 0.5];
      const near =
        Math.min(matte.rows - 1, Math.max(0, Math.round(v))) * matte.columns + Math.min(matte.columns - 1, Math.max(0, Math.round(u)));
      const alpha = fits
        ? (matte.alpha[near] as number)
        : matte.band[near]
          ? between(matte.alpha, matte.columns, matte.rows, u, v)
          : (matte.alpha[near] as number);
      const was = (rgba[at + 3] as number) / 255;
      if (alpha <= 0.002) {
        rgba[at] = rgba[at + 1] = rgba[at + 2] = rgba[at + 3] = 0;
        continue;
      }
      if (alpha < 0.998)
        for (let k = 0; k < 3; k++) {
          const [front, behind] = [
            between(matte.subject[k as 0] as Float32Array, matte.columns, matte.rows, u, v),
            between(matte.ground[k as 0] as Float32Array, matte.columns, matte.rows, u, v),
          ];
          const seen = (rgba[at + k] as number) / 255;
          const clean = front + alpha * (seen - alpha * front - (1 - alpha) * behind);
          rgba[at + k] = Math.round(255 * Math.min(1, Math.max(0, clean)));
        }
      rgba[at + 3] = Math.round(255 * alpha * was);
    }
}
