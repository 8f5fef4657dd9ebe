import { gaussian } from '../../fields';
import { boxMean } from '../tones/guided';
import { scaledDown, type Pixels } from '../pixels';
import { pixelsUnder, type Stroke } from './strokes';
import type { Subject } from './subject';
import { NOUGHT } from '../../numeric/tolerances';

/** Farther than any pixel of any picture, in pixels. */
const FAR = 1e6;
/** A mean over a neighborhood counts from this share of known pixels on: in the near one, and in the wider one that stands in for it. */
const [SOME_NEAR, SOME_WIDER] = [0.001, 0.0001];

/** Longest side at which soft edges are worked out. */
export const MATTE_SIDE = 820;
/** How far the edge may be from where the parting put it, inward and outward, as shares of the longer side. */
const [INWARD, OUTWARD] = [0.012, 0.026];
/** Regularization of the guided filter, in squared units of colors from 0 to 1. */
const EPSILON = 1e-4;
/** How far a color may be from the line between the subject's and the ground's to be told by it: 0 to 1. */
const LINE_SIGMA = 22 / 255;
/** Squared distance of the two colors from which on the line between them tells all. */
const APART = 0.06;
/** Alpha is stretched: what is nearly clear is clear. */
const [FOOT, SPAN] = [0.06, 0.88];

/** How much of every pixel is subject, and what color the subject and the ground have there. */
export interface Matte {
  readonly columns: number;
  readonly rows: number;
  readonly alpha: Float32Array;
  /** 1 where the edge may be: only there colors are cleaned. */
  readonly band: Uint8Array;
  /** The subject's and the ground's color around, a value for every few pixels. */
  readonly subject: CoarseColors;
  readonly ground: CoarseColors;
}

/** Colors that change slowly: three planes, 0 to 1, smaller than the picture. */
export interface CoarseColors {
  readonly columns: number;
  readonly rows: number;
  readonly planes: readonly [Float32Array, Float32Array, Float32Array];
}
/** So many pixels to one of those. */
const COARSE = 4;

/** How far every pixel is from those of a value, within 8 %. @source G. Borgefors, "Distance transformations in digital images", CVGIP 34, 1986 */
function distanceTo(mask: Uint8Array, value: number, columns: number, rows: number): Float32Array {
  const far = new Float32Array(mask.length);
  for (let at = 0; at < mask.length; at++) far[at] = mask[at] === value ? 0 : FAR;
  const slant = Math.SQRT2;
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) {
      const at = y * columns + x;
      let best = far[at] as number;
      if (best === 0) continue;
      if (x > 0) best = Math.min(best, (far[at - 1] as number) + 1);
      if (y > 0) {
        best = Math.min(best, (far[at - columns] as number) + 1);
        if (x > 0) best = Math.min(best, (far[at - columns - 1] as number) + slant);
        if (x < columns - 1) best = Math.min(best, (far[at - columns + 1] as number) + slant);
      }
      far[at] = best;
    }
  for (let y = rows - 1; y >= 0; y--)
    for (let x = columns - 1; x >= 0; x--) {
      const at = y * columns + x;
      let best = far[at] as number;
      if (best === 0) continue;
      if (x < columns - 1) best = Math.min(best, (far[at + 1] as number) + 1);
      if (y < rows - 1) {
        best = Math.min(best, (far[at + columns] as number) + 1);
        if (x < columns - 1) best = Math.min(best, (far[at + columns + 1] as number) + slant);
        if (x > 0) best = Math.min(best, (far[at + columns - 1] as number) + slant);
      }
      far[at] = best;
    }
  return far;
}

/**
 * The soft edge of a subject: hair, fur and out-of-focus rims keep how much of each pixel they cover.
 * @source K. He, J. Sun, X. Tang, "Guided image filtering" (color guide), IEEE PAMI 35(6), 2013; the line between two colors as in blue-screen
 * work, A. R. Smith, J. Blinn, SIGGRAPH 1996
 */
export function matteOf(pixels: Pixels, subject: Subject, strokes: readonly Stroke[]): Matte {
  const small = scaledDown(pixels, MATTE_SIDE);
  const { columns, rows } = small;
  const count = columns * rows;
  const longer = Math.max(columns, rows);
  const hard = new Uint8Array(count);
  // The mask between its pixels, its stairs rounded.
  const soft = gaussian(Float32Array.from(subject.mask), subject.columns, subject.rows, 0.8);
  const [su, sv] = [subject.columns / columns, subject.rows / rows];
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++)
      hard[y * columns + x] = between(soft, subject.columns, subject.rows, (x + 0.5) * su - 0.5, (y + 0.5) * sv - 0.5) >= 0.5 ? 1 : 0;
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
  const guide = guideOf(small, Math.max(2, Math.round(0.8 * inward)));
  const { planes } = guide;
  const guided = guidedAlpha(guide, Float32Array.from(hard), columns, rows);
  const around = Math.round((1.6 * outward + inward) / COARSE);
  const [front, behind] = [
    coarseColors(planes, hard, band, 1, columns, rows, around),
    coarseColors(planes, hard, band, 0, columns, rows, around),
  ];
  const alpha = Float32Array.from(hard);
  for (let at = 0; at < count; at++) {
    if (!band[at]) continue;
    const [u, v] = [((at % columns) + 0.5) / COARSE - 0.5, (Math.floor(at / columns) + 0.5) / COARSE - 0.5];
    const [fr, fg, fb] = front.planes.map((plane) => between(plane, front.columns, front.rows, u, v)) as [number, number, number];
    const [br, bg, bb] = behind.planes.map((plane) => between(plane, behind.columns, behind.rows, u, v)) as [number, number, number];
    const [dr, dg, db] = [fr - br, fg - bg, fb - bb];
    const [cr, cg, cb] = [(planes[0][at] as number) - br, (planes[1][at] as number) - bg, (planes[2][at] as number) - bb];
    const length = dr * dr + dg * dg + db * db;
    const onLine = length > NOUGHT ? Math.min(1, Math.max(0, (cr * dr + cg * dg + cb * db) / length)) : 0.5;
    const residual = (cr - onLine * dr) ** 2 + (cg - onLine * dg) ** 2 + (cb - onLine * db) ** 2;
    // The line tells where colors lie on it and its ends are apart; else the filter does.
    const tells = Math.exp(-residual / (2 * LINE_SIGMA * LINE_SIGMA)) * Math.min(1, length / APART);
    const mixed = tells * onLine + (1 - tells) * Math.min(1, Math.max(0, guided[at] as number));
    alpha[at] = Math.min(1, Math.max(0, (mixed - FOOT) / SPAN));
  }
  joinLoose(alpha, hard, columns);
  return { columns, rows, alpha, band, ground: behind, subject: front };
}

/** Crumbs of the band that hang on nothing of the subject go with the ground. */
function joinLoose(alpha: Float32Array, hard: Uint8Array, columns: number): void {
  const reached = new Uint8Array(alpha.length);
  const stack: number[] = [];
  const steps = [-1, 1, -columns, columns];
  for (let at = 0; at < alpha.length; at++)
    if (hard[at] && (alpha[at] as number) > 0.5) {
      reached[at] = 1;
      stack.push(at);
    }
  for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
    const x = at % columns;
    for (let side = 0; side < 4; side++) {
      if (side === 0 ? x === 0 : side === 1 ? x === columns - 1 : side === 2 ? at < columns : at >= alpha.length - columns) continue;
      const near = at + (steps[side] as number);
      if (reached[near] || (alpha[near] as number) < 0.08) continue;
      reached[near] = 1;
      stack.push(near);
    }
  }
  for (let at = 0; at < alpha.length; at++) if (!reached[at]) alpha[at] = 0;
}

/** Colors of what is surely of one side, around every place. */
function coarseColors(
  planes: readonly Float32Array[],
  hard: Uint8Array,
  band: Uint8Array,
  value: 0 | 1,
  columns: number,
  rows: number,
  reach: number,
): CoarseColors {
  const [wide, high] = [Math.ceil(columns / COARSE), Math.ceil(rows / COARSE)];
  const weight = new Float32Array(wide * high);
  const sums = [0, 1, 2].map(() => new Float32Array(wide * high)) as [Float32Array, Float32Array, Float32Array];
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) {
      const at = y * columns + x;
      if (hard[at] !== value || band[at]) continue;
      const to = Math.floor(y / COARSE) * wide + Math.floor(x / COARSE);
      weight[to] = (weight[to] as number) + 1;
      for (let k = 0; k < 3; k++)
        (sums[k as 0] as Float32Array)[to] = ((sums[k as 0] as Float32Array)[to] as number) + ((planes[k] as Float32Array)[at] as number);
    }
  const [near, wider] = [boxMean(weight, wide, high, reach), boxMean(weight, wide, high, 5 * reach)];
  const means = sums.map((sum) => {
    const [close, far] = [boxMean(sum, wide, high, reach), boxMean(sum, wide, high, 5 * reach)];
    return close.map((total, at) =>
      (near[at] as number) > SOME_NEAR
        ? total / (near[at] as number)
        : (wider[at] as number) > SOME_WIDER
          ? (far[at] as number) / (wider[at] as number)
          : 0.5,
    );
  }) as [Float32Array, Float32Array, Float32Array];
  return { columns: wide, rows: high, planes: means };
}

type Three = readonly [Float32Array, Float32Array, Float32Array];
/** What the filter knows of a picture, whatever the mask: its colors, their means around every pixel, and how they vary together there. */
interface Guide {
  readonly reach: number;
  readonly planes: Three;
  readonly means: Three;
  /** Means of products: rr, rg, rb, gg, gb, bb. */
  readonly products: readonly [...Three, ...Three];
}
/** Strokes change the mask and nothing else: the rest is worked out once for a picture. */
const guides = new WeakMap<Pixels, Guide>();

function times(one: Float32Array, other: Float32Array): Float32Array {
  const out = new Float32Array(one.length);
  for (let at = 0; at < out.length; at++) out[at] = (one[at] as number) * (other[at] as number);
  return out;
}

function guideOf(pixels: Pixels, reach: number): Guide {
  const known = guides.get(pixels);
  if (known?.reach === reach) return known;
  const { columns, rows, rgba } = pixels;
  const plane = (channel: number): Float32Array => {
    const out = new Float32Array(columns * rows);
    for (let at = 0; at < out.length; at++) out[at] = (rgba[at * 4 + channel] as number) / 255;
    return out;
  };
  const mean = (of: Float32Array): Float32Array => boxMean(of, columns, rows, reach);
  const [r, g, b] = [plane(0), plane(1), plane(2)];
  const guide: Guide = {
    ...{ reach, planes: [r, g, b], means: [mean(r), mean(g), mean(b)] },
    products: [mean(times(r, r)), mean(times(r, g)), mean(times(r, b)), mean(times(g, g)), mean(times(g, b)), mean(times(b, b))],
  };
  guides.set(pixels, guide);
  return guide;
}

/** The mask as a straight-line function of the colors around every pixel. */
function guidedAlpha({ reach, planes, means, products }: Guide, mask: Float32Array, columns: number, rows: number): Float32Array {
  const mean = (plane: Float32Array): Float32Array => boxMean(plane, columns, rows, reach);
  const [r, g, b] = planes;
  const [mr, mg, mb] = means;
  const mp = mean(mask);
  const [rr, rg, rb, gg, gb, bb] = products;
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

const colorAt = ({ planes, columns, rows }: CoarseColors, channel: number, u: number, v: number): number =>
  between(planes[channel as 0] as Float32Array, columns, rows, (u + 0.5) / COARSE - 0.5, (v + 0.5) / COARSE - 0.5);

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
          const [front, behind] = [colorAt(matte.subject, k, u, v), colorAt(matte.ground, k, u, v)];
          const seen = (rgba[at + k] as number) / 255;
          const clean = front + alpha * (seen - alpha * front - (1 - alpha) * behind);
          rgba[at + k] = Math.round(255 * Math.min(1, Math.max(0, clean)));
        }
      rgba[at + 3] = Math.round(255 * alpha * was);
    }
}
