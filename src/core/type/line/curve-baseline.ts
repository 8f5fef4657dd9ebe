import type { Point } from '../../geometry';
import { fail, ok, type Result } from '../../result/result';
import type { Baseline, BaselinePoint } from './baseline';

/** A point of a drawn curve with its handles, relative to the point; handles of length 0 make a corner. */
export interface CurveNode {
  readonly x: number;
  readonly y: number;
  readonly inX: number;
  readonly inY: number;
  readonly outX: number;
  readonly outY: number;
}

/** Samples per segment: the arc length of a smooth segment is then exact to about a hundred-thousandth of it. */
const SAMPLES = 96;

/** Tightest turn that letters follow, as a radius in the curve's unit: at cusps the line is taken to turn no faster. */
const TIGHTEST_RADIUS = 1;

/** Shorter than this, in the curve's unit, a curve cannot carry letters. */
const SHORTEST = 0.01;

interface Sample extends BaselinePoint {
  readonly along: number;
}

/**
 * A drawn curve as a baseline. Arc length is summed over fine chords with Simpson's rule; the direction is the curve's own derivative,
 * or, where that vanishes (cusps, handles of no length), the direction toward the next sample.
 * @returns a problem for a curve without length
 */
export function curveBaseline(nodes: readonly CurveNode[]): Result<Baseline> {
  const samples: Sample[] = [];
  let along = 0;
  for (let n = 0; n + 1 < nodes.length; n++) {
    const a = nodes[n] as CurveNode;
    const b = nodes[n + 1] as CurveNode;
    const p: readonly [Point, Point, Point, Point] = [a, { x: a.x + a.outX, y: a.y + a.outY }, { x: b.x + b.inX, y: b.y + b.inY }, b];
    const straight = a.outX === 0 && a.outY === 0 && b.inX === 0 && b.inY === 0;
    let before: ReturnType<typeof derivatives> | undefined;
    for (let i = 0; i <= SAMPLES; i++) {
      const here = straight ? lineAt(a, b, i / SAMPLES) : derivatives(p, i / SAMPLES);
      if (before) {
        const middle = straight ? lineAt(a, b, (i - 0.5) / SAMPLES) : derivatives(p, (i - 0.5) / SAMPLES);
        along += (speed(before) + 4 * speed(middle) + speed(here)) / (6 * SAMPLES);
      }
      before = here;
      if (i === 0 && samples.length > 0) continue;
      const size = speed(here);
      const turn = size === 0 ? 0 : (here.dx * here.ddy - here.dy * here.ddx) / size ** 3;
      samples.push({
        x: here.x,
        y: here.y,
        cos: size === 0 ? NaN : here.dx / size,
        sin: size === 0 ? NaN : here.dy / size,
        // Positive: the center of the turn lies below a line that runs to the right, and letters stand outside.
        curvature: Math.max(-1 / TIGHTEST_RADIUS, Math.min(1 / TIGHTEST_RADIUS, turn)),
        along,
      });
    }
  }
  if (along < SHORTEST || !Number.isFinite(along))
    return fail({
      code: 'curve-without-length',
      message: 'The curve of this line has no length, so the letters stand on a straight line.',
      fix: 'Draw the curve longer, or choose another line.',
    });
  const whole = withDirections(samples);
  const first = whole[0] as Sample;
  const last = whole.at(-1) as Sample;
  return ok({
    length: along,
    at: (wanted) => {
      if (wanted <= 0) return straightOn(first, wanted);
      if (wanted >= along) return straightOn(last, wanted - along);
      let low = 0;
      let high = whole.length - 1;
      while (high - low > 1) {
        const middle = (low + high) >> 1;
        if ((whole[middle] as Sample).along <= wanted) low = middle;
        else high = middle;
      }
      const a = whole[low] as Sample;
      const b = whole[high] as Sample;
      const share = b.along > a.along ? (wanted - a.along) / (b.along - a.along) : 0;
      const mix = (one: number, other: number) => one + (other - one) * share;
      const [cos, sin] = [mix(a.cos, b.cos), mix(a.sin, b.sin)];
      const size = Math.hypot(cos, sin);
      return {
        x: mix(a.x, b.x),
        y: mix(a.y, b.y),
        cos: size === 0 ? a.cos : cos / size,
        sin: size === 0 ? a.sin : sin / size,
        curvature: mix(a.curvature, b.curvature),
      };
    },
  });
}

const straightOn = (end: BaselinePoint, by: number): BaselinePoint => ({
  ...end,
  x: end.x + end.cos * by,
  y: end.y + end.sin * by,
  curvature: 0,
});
const speed = ({ dx, dy }: { readonly dx: number; readonly dy: number }) => Math.hypot(dx, dy);
const lineAt = (a: Point, b: Point, t: number) => ({
  x: a.x + (b.x - a.x) * t,
  y: a.y + (b.y - a.y) * t,
  dx: b.x - a.x,
  dy: b.y - a.y,
  ddx: 0,
  ddy: 0,
});

function derivatives([p0, p1, p2, p3]: readonly [Point, Point, Point, Point], t: number) {
  const s = 1 - t;
  const at = (a: number, b: number, c: number, d: number) => s * s * s * a + 3 * s * s * t * b + 3 * s * t * t * c + t * t * t * d;
  const once = (a: number, b: number, c: number, d: number) => 3 * (s * s * (b - a) + 2 * s * t * (c - b) + t * t * (d - c));
  const twice = (a: number, b: number, c: number, d: number) => 6 * (s * (c - 2 * b + a) + t * (d - 2 * c + b));
  return {
    x: at(p0.x, p1.x, p2.x, p3.x),
    y: at(p0.y, p1.y, p2.y, p3.y),
    dx: once(p0.x, p1.x, p2.x, p3.x),
    dy: once(p0.y, p1.y, p2.y, p3.y),
    ddx: twice(p0.x, p1.x, p2.x, p3.x),
    ddy: twice(p0.y, p1.y, p2.y, p3.y),
  };
}

/** Samples whose own direction vanishes look toward the next one that lies elsewhere, or back. */
function withDirections(samples: readonly Sample[]): readonly Sample[] {
  return samples.map((sample, index) => {
    if (!Number.isNaN(sample.cos)) return sample;
    const other = samples.slice(index + 1).find(({ x, y }) => x !== sample.x || y !== sample.y);
    const back = samples.slice(0, index).findLast(({ x, y }) => x !== sample.x || y !== sample.y);
    const from = other ? sample : back;
    const to = other ?? sample;
    const size = from ? Math.hypot(to.x - from.x, to.y - from.y) : 0;
    return from && size > 0 ? { ...sample, cos: (to.x - from.x) / size, sin: (to.y - from.y) / size } : { ...sample, cos: 1, sin: 0 };
  });
}
