import { centerOf, heightOf, widthOf, type Bounds } from './bounds';
import { inkRuns } from './ink-runs';
import type { Polygon } from './flatten';
import type { Point } from './point';

/** Something that is arranged: its ink box and where its ink balances. */
export interface Arranged {
  readonly id: string;
  readonly ink: Bounds;
  readonly balance: Point;
}

/** How far something goes. */
export interface Shift {
  readonly id: string;
  readonly dx: number;
  readonly dy: number;
}

export const ALIGNMENTS = ['left', 'center', 'right', 'top', 'middle', 'foot', 'optical-center', 'optical-middle'] as const;
export type Alignment = (typeof ALIGNMENTS)[number];

/** Brings things to one line. @param to the box they are brought to: around all of them, or of the one that stays */
export function align(things: readonly Arranged[], how: Alignment, to: Pick<Arranged, 'ink' | 'balance'>): readonly Shift[] {
  const center = centerOf(to.ink);
  return things.map(({ id, ink, balance }) => {
    const own = centerOf(ink);
    const by: Readonly<Record<Alignment, readonly [number, number]>> = {
      left: [to.ink.left - ink.left, 0],
      center: [center.x - own.x, 0],
      right: [to.ink.right - ink.right, 0],
      top: [0, to.ink.top - ink.top],
      middle: [0, center.y - own.y],
      foot: [0, to.ink.bottom - ink.bottom],
      'optical-center': [to.balance.x - balance.x, 0],
      'optical-middle': [0, to.balance.y - balance.y],
    };
    const [dx, dy] = by[how];
    return { id, dx, dy };
  });
}

export const DISTRIBUTIONS = ['gaps', 'starts', 'centers', 'ends'] as const;
export type Distribution = (typeof DISTRIBUTIONS)[number];

/**
 * Spreads things evenly between the outermost two, which stay.
 * @param how equal white between boxes, or equal steps of their starts, centers or ends
 */
export function distribute(things: readonly Arranged[], how: Distribution, axis: 'x' | 'y'): readonly Shift[] {
  const span = ({ ink }: Arranged) => (axis === 'x' ? { start: ink.left, size: widthOf(ink) } : { start: ink.top, size: heightOf(ink) });
  const sorted = [...things].sort((one, other) => span(one).start + span(one).size / 2 - span(other).start - span(other).size / 2);
  const [first, last] = [sorted[0], sorted.at(-1)];
  if (!first || !last || sorted.length < 3) return [];
  const anchor = { gaps: 0, starts: 0, centers: 0.5, ends: 1 }[how];
  const white =
    (span(last).start + span(last).size - span(first).start - sorted.reduce((sum, thing) => sum + span(thing).size, 0)) /
    (sorted.length - 1);
  const at = (thing: Arranged) => span(thing).start + anchor * span(thing).size;
  const step = (at(last) - at(first)) / (sorted.length - 1);
  let next = span(first).start;
  return sorted.map((thing, index) => {
    const by = how === 'gaps' ? next - span(thing).start : at(first) + index * step - at(thing);
    next += span(thing).size + white;
    return { id: thing.id, dx: axis === 'x' ? by : 0, dy: axis === 'y' ? by : 0 };
  });
}

/** Scan lines across what two outlines share. */
const LEVELS = 96;

/**
 * The white between two outlines along an axis, where they come nearest: by their ink, not by their boxes.
 * @returns negative where they overlap; nothing where no line meets both
 */
export function inkGap(before: readonly Polygon[], after: readonly Polygon[], axis: 'x' | 'y'): number | undefined {
  const across = axis === 'x' ? 'y' : 'x';
  const reach = (polygons: readonly Polygon[]) => {
    let [low, high] = [Infinity, -Infinity];
    for (const polygon of polygons)
      for (const point of polygon) [low, high] = [Math.min(low, point[across]), Math.max(high, point[across])];
    return { low, high };
  };
  const [one, other] = [reach(before), reach(after)];
  const [low, high] = [Math.max(one.low, other.low), Math.min(one.high, other.high)];
  if (!(high > low)) return undefined;
  let least: number | undefined;
  for (let index = 0; index < LEVELS; index++) {
    const level = low + ((index + 0.5) / LEVELS) * (high - low);
    const end = inkRuns(before, axis, level).at(-1)?.end;
    const start = inkRuns(after, axis, level)[0]?.start;
    if (end !== undefined && start !== undefined) least = Math.min(least ?? Infinity, start - end);
  }
  return least;
}

/** An outline that is spread. */
export interface Outlined extends Arranged {
  readonly polygons: readonly Polygon[];
}

/** Spreads outlines so that the white between the ink of neighbors is equal; the outermost two stay. Boxes stand in where two outlines share no line. */
export function equalInkGaps(things: readonly Outlined[], axis: 'x' | 'y'): readonly Shift[] {
  const start = ({ ink }: Arranged) => (axis === 'x' ? ink.left : ink.top);
  const end = ({ ink }: Arranged) => (axis === 'x' ? ink.right : ink.bottom);
  const sorted = [...things].sort((one, other) => start(one) + end(one) - start(other) - end(other));
  if (sorted.length < 3) return [];
  const gaps = sorted.slice(1).map((thing, index) => {
    const before = sorted[index] as Outlined;
    return inkGap(before.polygons, thing.polygons, axis) ?? start(thing) - end(before);
  });
  const even = gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length;
  let moved = 0;
  return sorted.map((thing, index) => {
    if (index > 0) moved += even - (gaps[index - 1] as number);
    return { id: thing.id, dx: axis === 'x' ? moved : 0, dy: axis === 'y' ? moved : 0 };
  });
}

export const MATCHES = ['width', 'height', 'cap-height', 'ink-area'] as const;
export type Match = (typeof MATCHES)[number];
