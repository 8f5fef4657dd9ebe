import type { Point } from '../../geometry';

/** Arms that a turn is measured between, in pixels; a curve turns twice as far over twice the way, a corner does not. */
const ARM = 4;
/** Least turn of a corner, and the turn that is one however its surroundings bend: radians. */
const [LEAST_TURN, SURE_TURN] = [(32 * Math.PI) / 180, (75 * Math.PI) / 180];
/** Share of the turn over double arms that a corner takes within its own. */
const SUDDEN = 0.68;
/** Pixels beside a corner that the picture's own softness has rounded off, and how far a corner may be moved. */
const ROUNDED = 1.5;
const MOVED_MOST = 2;

export interface Corner {
  readonly index: number;
  readonly at: Point;
}

export interface Line {
  readonly x: number;
  readonly y: number;
  readonly dx: number;
  readonly dy: number;
}

/** The straight line nearest to some points, in the direction in which they are given. */
export function lineThrough(points: readonly Point[]): Line | undefined {
  const count = points.length;
  if (count < 2) return undefined;
  let [mx, my] = [0, 0];
  for (const { x, y } of points) [mx, my] = [mx + x / count, my + y / count];
  let [xx, xy, yy] = [0, 0, 0];
  for (const { x, y } of points) {
    const [ax, ay] = [x - mx, y - my];
    [xx, xy, yy] = [xx + ax * ax, xy + ax * ay, yy + ay * ay];
  }
  const angle = 0.5 * Math.atan2(2 * xy, xx - yy);
  let [dx, dy] = [Math.cos(angle), Math.sin(angle)];
  const [first, last] = [points[0] as Point, points[count - 1] as Point];
  if ((last.x - first.x) * dx + (last.y - first.y) * dy < 0) [dx, dy] = [-dx, -dy];
  return { x: mx, y: my, dx, dy };
}

/** Where two lines cross; nothing where the sine between them is less than `least`. */
export function meetingOf(one: Line, other: Line, least = 0.12): Point | undefined {
  const cross = one.dx * other.dy - one.dy * other.dx;
  if (Math.abs(cross) < least) return undefined;
  const t = ((other.x - one.x) * other.dy - (other.y - one.y) * other.dx) / cross;
  return { x: one.x + one.dx * t, y: one.y + one.dy * t };
}

const turnAt = (before: Point, here: Point, after: Point): number => {
  const [ax, ay, bx, by] = [here.x - before.x, here.y - before.y, after.x - here.x, after.y - here.y];
  return Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by));
};

/** The corners of a row of points one pixel apart, moved to where the lines of their two sides cross. */
export function cornersOf(points: readonly Point[], closed: boolean): readonly Corner[] {
  const count = points.length;
  if (count < 2 * ARM + 1) return [];
  const at = (index: number): Point => points[closed ? (index + count) % count : Math.min(count - 1, Math.max(0, index))] as Point;
  const turns = new Float64Array(count);
  for (let index = 0; index < count; index++) {
    if (!closed && (index < 2 || index >= count - 2)) continue;
    const arm = closed ? ARM : Math.min(ARM, index, count - 1 - index);
    turns[index] = turnAt(at(index - arm), at(index), at(index + arm));
  }
  const found: number[] = [];
  for (let index = 0; index < count; index++) {
    const turn = turns[index] as number;
    if (turn < LEAST_TURN) continue;
    const own = closed ? ARM : Math.min(ARM, index, count - 1 - index);
    let highest = true;
    for (let away = 1; away <= own && highest; away++) {
      const before = turns[closed ? (index - away + count) % count : index - away] ?? 0;
      const after = turns[closed ? (index + away) % count : index + away] ?? 0;
      // Of equal ones the first.
      if (before >= turn || after > turn) highest = false;
    }
    if (!highest) continue;
    if (turn < SURE_TURN && 2 * ARM * 2 < count) {
      const wide = turnAt(at(index - 2 * ARM), at(index), at(index + 2 * ARM));
      if (turn < SUDDEN * wide) continue;
    }
    found.push(index);
  }
  return found.map((index, place) => {
    const previous = found[place - 1] ?? (closed && found.length > 1 ? (found[found.length - 1] as number) - count : index - count);
    const next = found[place + 1] ?? (closed && found.length > 1 ? (found[0] as number) + count : index + count);
    const [reachBack, reachOn] = [Math.min(6, (index - previous) / 2), Math.min(6, (next - index) / 2)];
    const arm = (sign: number, reach: number): Point[] => {
      const arms: Point[] = [];
      for (let away = ROUNDED; away <= reach + 0.5; away++) {
        const where = index + sign * Math.round(away);
        if (!closed && (where < 0 || where >= count)) break;
        arms.push(at(where));
      }
      return arms;
    };
    const [back, on] = [lineThrough(arm(-1, reachBack)), lineThrough(arm(1, reachOn))];
    const here = at(index);
    const crossing = back && on && meetingOf(back, on);
    return { index, at: crossing && Math.hypot(crossing.x - here.x, crossing.y - here.y) <= MOVED_MOST ? crossing : here };
  });
}
