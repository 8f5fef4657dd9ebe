import { invert, rotation, type Affine } from './affine';
import { boundsOf, type Bounds } from './bounds';
import { mapPath, PathPen } from './path';
import type { Region } from './region';

/** Lines that run side by side over a box. */
export interface Stripes {
  /** Which way they run, clockwise on screen; 0 is level. */
  readonly angleDeg: number;
  /** From one line to the next, measured across them. */
  readonly pitch: number;
  /** Of one line, across it. */
  readonly thickness: number;
  /** How far they swing to either side, and the length of one wave; straight without. */
  readonly swing?: number;
  readonly waveLength?: number;
  /** Where the first line stands, in pitches; one through the origin at 0. */
  readonly phase?: number;
}

/** The handle of a cubic from one crest of a sine wave to the next, as a share of the way: within 1 % of the swing. @source fitted; checked in tests/core/geometry/stripes.test.ts */
const SINE_HANDLE = 0.3642;
/** Most lines drawn. */
export const MOST_STRIPES = 2000;

/** How many lines it takes to cover a box. */
export function stripeCount({ angleDeg, pitch }: Pick<Stripes, 'angleDeg' | 'pitch'>, box: Bounds): number {
  const across = boundsOf(boxPath(box), rotation(-angleDeg));
  return across ? Math.ceil((across.bottom - across.top) / pitch) : 0;
}

const boxPath = ({ left, top, right, bottom }: Bounds) =>
  new PathPen().move(left, top).line(right, top).line(right, bottom).line(left, bottom).close().path();

/**
 * Lines over a box as one area that does not touch itself.
 * @returns nothing drawn where they would be more than `MOST_STRIPES`
 */
export function stripes({ angleDeg, pitch, thickness, swing = 0, waveLength = 1, phase = 0 }: Stripes, box: Bounds): Region {
  const turn: Affine = rotation(angleDeg);
  const back = invert(turn) ?? turn;
  const level = boundsOf(boxPath(box), back) ?? box;
  const pen = new PathPen();
  const half = waveLength / 2;
  // Crests stand at odd quarters of a wave from the origin, so that lines over different boxes go on in one another.
  const from = (Math.floor((level.left - thickness) / half - 0.5) + 0.5) * half;
  const halves = swing > 0 ? Math.ceil((level.right - from + thickness) / half) : 0;
  const first = Math.ceil((level.top - swing - thickness) / pitch - phase);
  const last = Math.floor((level.bottom + swing + thickness) / pitch - phase);
  if (last - first > MOST_STRIPES) return { path: pen.path(), rule: 'nonzero' };
  for (let line = first; line <= last; line++) {
    const middle = (line + phase) * pitch;
    const [top, bottom] = [middle - thickness / 2, middle + thickness / 2];
    if (halves === 0) {
      pen
        .move(level.left - 1, top)
        .line(level.right + 1, top)
        .line(level.right + 1, bottom)
        .line(level.left - 1, bottom)
        .close();
      continue;
    }
    const sign = (index: number) => ((Math.round(from / half - 0.5) + index) % 2 === 0 ? 1 : -1);
    const handle = half * SINE_HANDLE;
    pen.move(from, top + sign(0) * swing);
    for (let index = 0; index < halves; index++) {
      const [x, here, next] = [from + index * half, sign(index) * swing, sign(index + 1) * swing];
      pen.cubic(x + handle, top + here, x + half - handle, top + next, x + half, top + next);
    }
    pen.line(from + halves * half, bottom + sign(halves) * swing);
    for (let index = halves - 1; index >= 0; index--) {
      const [x, here, next] = [from + index * half, sign(index) * swing, sign(index + 1) * swing];
      pen.cubic(x + half - handle, bottom + next, x + handle, bottom + here, x, bottom + here);
    }
    pen.close();
  }
  return { path: mapPath(pen.path(), turn), rule: 'nonzero' };
}
