import type { Point } from '../../geometry';
import type { Chain } from './borders';
import { circleOf } from './circle';
import { cornersOf, meetingOf, type Line } from './corners';
import { fitCubic, type Cubic } from './fit-cubic';
import { straightRuns, type Run } from './straight-runs';
import { NOUGHT } from '../../numeric/tolerances';

/** What moves by less than this, in pixels of the picture, has no farthest point. */
const STANDS_STILL = 0.001;

/** A piece of an outline: a straight line, or a curve. */
export type Piece = { readonly kind: 'line'; readonly from: Point; readonly to: Point } | ({ readonly kind: 'cubic' } & Cubic);

/** How closely curves keep to the picture. */
export interface Closeness {
  /** Farthest that a curve may be from the border, in pixels. */
  readonly withinPx: number;
}

/** A stretch is a straight line when it is within this of one, in pixels. */
const STRAIGHT_PX = 0.3;
/** Lines are made upright or level when they are within this of it over their length, in pixels, or in their slope. */
const [LEVEL_PX, LEVEL_SLOPE] = [0.3, 0.008];
/** A handle of a quarter of a circle. @source 4/3 · tan(π/8) */
const KAPPA = 0.5522847498;

/** A row of points at steps of about one pixel. */
function evened(points: readonly Point[], closed: boolean): Point[] {
  const row = closed ? [...points, points[0] as Point] : points;
  let total = 0;
  for (let index = 1; index < row.length; index++)
    total += Math.hypot((row[index] as Point).x - (row[index - 1] as Point).x, (row[index] as Point).y - (row[index - 1] as Point).y);
  const steps = Math.max(closed ? 4 : 1, Math.round(total));
  const made: Point[] = [row[0] as Point];
  let gone = 0;
  let next = total / steps;
  for (let index = 1; index < row.length; index++) {
    const [a, b] = [row[index - 1] as Point, row[index] as Point];
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    while (next <= gone + length + NOUGHT && made.length < steps) {
      const t = length > 0 ? Math.min(1, (next - gone) / length) : 0;
      made.push({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t });
      next += total / steps;
    }
    gone += length;
  }
  if (!closed) made.push(row[row.length - 1] as Point);
  return made;
}

/** Farthest that points are from the line between two, in pixels. */
function offLine(points: readonly Point[], from: Point, to: Point): number {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const length = Math.hypot(dx, dy);
  let worst = 0;
  for (const { x, y } of points) {
    const along = length > 0 ? ((x - from.x) * dx + (y - from.y) * dy) / length : 0;
    const off =
      length > 0 && along >= 0 && along <= length
        ? Math.abs((x - from.x) * dy - (y - from.y) * dx) / length
        : Math.min(Math.hypot(x - from.x, y - from.y), Math.hypot(x - to.x, y - to.y));
    if (off > worst) worst = off;
  }
  return worst;
}

const isLine = (points: readonly Point[], slack = STRAIGHT_PX): boolean =>
  offLine(points, points[0] as Point, points[points.length - 1] as Point) <= slack;

/** Share of a row, and least and most of its points to either side, that tell the direction in the middle of it. */
const [LOOK_SHARE, LOOK_LEAST, LOOK_MOST] = [0.05, 4, 14];

/** The direction through a point in the middle of a row: of the parabola nearest to its surroundings. */
function through(points: readonly Point[], index: number): Point {
  const reach = Math.min(
    index,
    points.length - 1 - index,
    Math.max(LOOK_LEAST, Math.min(LOOK_MOST, Math.round(LOOK_SHARE * points.length))),
  );
  let [sumX, sumY, weight] = [0, 0, 0];
  // Around its middle a parabola's slope is that of the straight line through the same even steps.
  for (let step = -reach; step <= reach; step++) {
    const { x, y } = points[index + step] as Point;
    [sumX, sumY, weight] = [sumX + step * x, sumY + step * y, weight + step * step];
  }
  const { x: dx, y: dy } = unitOf({ x: sumX / (weight || 1), y: sumY / (weight || 1) });
  // At an extreme the direction is level or upright: what designers expect of a node there.
  if (Math.abs(dy) < 0.04) return { x: Math.sign(dx) || 1, y: 0 };
  if (Math.abs(dx) < 0.04) return { x: 0, y: Math.sign(dy) || 1 };
  return { x: dx, y: dy };
}

const back = ({ x, y }: Point): Point => ({ x: -x, y: -y });

/** Where a row of points is farthest left, right, up or down of its surroundings: the index of each. */
function extremesOf(points: readonly Point[]): readonly number[] {
  const found: number[] = [];
  const reach = 3;
  for (let index = reach; index < points.length - reach; index++) {
    const [a, here, b] = [points[index - reach] as Point, points[index] as Point, points[index + reach] as Point];
    const flatX = (here.x - a.x) * (b.x - here.x) <= 0 && Math.abs(here.x - a.x) + Math.abs(b.x - here.x) > STANDS_STILL;
    const flatY = (here.y - a.y) * (b.y - here.y) <= 0 && Math.abs(here.y - a.y) + Math.abs(b.y - here.y) > STANDS_STILL;
    if ((flatX || flatY) && (found.length === 0 || index - (found[found.length - 1] as number) > 6)) {
      // To the middle of where it is flat.
      let end = index;
      const still = (at: number): boolean => {
        const [p, q, r] = [points[at - reach], points[at], points[at + reach]];
        return !!p && !!q && !!r && (flatX ? (q.x - p.x) * (r.x - q.x) <= 0 : (q.y - p.y) * (r.y - q.y) <= 0);
      };
      while (end + 1 < points.length - reach && still(end + 1) && end - index < 60) end++;
      found.push((index + end) >> 1);
    }
  }
  return found;
}

/** Shares of a stretch at which it is tried to be cut. */
const CUTS = [0.5, 0.36, 0.64, 0.25, 0.75];

/** A stretch without corners as few curves, its directions at the ends given. */
function fitSmooth(points: readonly Point[], leave: Point | undefined, arrive: Point | undefined, within: number): Cubic[] {
  const enough = within * within;
  const whole = fitCubic(points, leave, arrive, within);
  if (whole.worst <= enough || points.length < 6) return [whole.cubic];
  const [low, high] = [Math.max(2, Math.round(points.length * 0.15)), Math.min(points.length - 3, Math.round(points.length * 0.85))];
  const extremes = extremesOf(points).filter((index) => index >= low && index <= high);
  // Where both halves become one curve each, an extreme before any other place; else where both come nearest to it.
  const middle = points.length / 2;
  const places = [
    ...extremes.sort((one, other) => Math.abs(one - middle) - Math.abs(other - middle)).slice(0, 2),
    ...(points.length > 14 ? CUTS.map((share) => Math.round(share * points.length)) : []),
    Math.min(high, Math.max(low, whole.at)),
  ];
  let best: { worst: number; index: number } | undefined;
  for (const index of places) {
    if (index < 2 || index > points.length - 3) continue;
    const direction = through(points, index);
    const one = fitCubic(points.slice(0, index + 1), leave, back(direction), within);
    const other = fitCubic(points.slice(index), direction, arrive, within);
    const worst = Math.max(one.worst, other.worst);
    if (worst <= enough) return [one.cubic, other.cubic];
    if (!best || worst < best.worst) best = { worst, index };
  }
  if (!best) return [whole.cubic];
  // Long ways round are cut at extremes, where designers look for nodes.
  const index = best.worst > 400 * enough && extremes[0] !== undefined ? extremes[0] : best.index;
  const direction = through(points, index);
  return [
    ...fitSmooth(points.slice(0, index + 1), leave, back(direction), within),
    ...fitSmooth(points.slice(index), direction, arrive, within),
  ];
}

/** Neighboring curves that one curve can stand for become one. @param ends directions of the whole row, where given */
function merged(
  curves: readonly Cubic[],
  points: readonly Point[],
  within: number,
  ends: { readonly leave?: Point | undefined; readonly arrive?: Point | undefined } = {},
): Cubic[] {
  const list = [...curves];
  const last = points.length - 1;
  for (let index = 0; index + 1 < list.length;) {
    const [a, b] = [list[index] as Cubic, list[index + 1] as Cubic];
    const [from, to] = [points.indexOf(a.from), index + 2 === list.length ? last : points.indexOf(b.to)];
    if (from < 0 || to <= from) {
      index++;
      continue;
    }
    const leave = from === 0 ? ends.leave : unitOf({ x: a.first.x - a.from.x, y: a.first.y - a.from.y });
    const arrive = to === last ? ends.arrive : unitOf({ x: b.second.x - b.to.x, y: b.second.y - b.to.y });
    const fit = fitCubic(points.slice(from, to + 1), leave, arrive, within);
    if (fit.worst <= within * within) {
      list.splice(index, 2, fit.cubic);
      if (index > 0) index--;
    } else index++;
  }
  return list;
}
const unitOf = ({ x, y }: Point): Point => {
  const length = Math.hypot(x, y) || 1;
  return { x: x / length, y: y / length };
};

/** From one corner, or end, to the next. */
function fitSpan(points: readonly Point[], wholeLength: number, within: number): Piece[] {
  const [first, last] = [points[0] as Point, points[points.length - 1] as Point];
  if (points.length < 3 || isLine(points)) return [{ kind: 'line', from: first, to: last }];
  const one = fitCubic(points, undefined, undefined, within);
  if (one.worst <= within * within) return [{ kind: 'cubic', ...one.cubic }];
  const curved = (): Piece[] =>
    merged(fitSmooth(points, undefined, undefined, within), points, within).map((curve): Piece => ({ kind: 'cubic', ...curve }));
  const runs = straightRuns(points, wholeLength);
  if (runs.length === 0) return curved();
  const withLines = fitBetweenRuns(points, runs, within);
  const curves = curved();
  // A calm stretch of a long curve looks straight: lines are drawn where they cost no nodes, or are upright or level.
  const square = runs.filter(({ line: { dx, dy } }) => Math.min(Math.abs(dx), Math.abs(dy)) < LEVEL_SLOPE).length;
  return withLines.length <= curves.length + square ? withLines : curves;
}

/** Lines where a stretch is straight, and curves between them. */
function fitBetweenRuns(points: readonly Point[], stretches: readonly Run[], within: number): Piece[] {
  const [first, last] = [points[0] as Point, points[points.length - 1] as Point];
  const pieces: Piece[] = [];
  let at = 0;
  let start = first;
  let leave: Point | undefined;
  const curveTo = (until: number, end: Point, arrive: Point | undefined): void => {
    const inside = points.slice(at + 1, until);
    const row = [start, ...inside, end];
    if (row.length < 3 || (isLine(row, 0.2) && row.length < 4)) pieces.push({ kind: 'line', from: start, to: end });
    else {
      const curves = fitSmooth(row, leave, arrive, within);
      for (const curve of merged(curves, row, within, { leave, arrive })) pieces.push({ kind: 'cubic', ...curve });
    }
  };
  let before: Line | undefined;
  for (const { from, to, line } of stretches) {
    const onLine = (point: Point): Point => {
      const along = (point.x - line.x) * line.dx + (point.y - line.y) * line.dy;
      return { x: line.x + line.dx * along, y: line.y + line.dy * along };
    };
    const direction = { x: line.dx, y: line.dy };
    const end = to >= points.length - 3 ? last : onLine(points[to] as Point);
    // Two straight runs with next to nothing between them meet where they cross.
    const crossing = before && from - at <= MEETING ? meetingOf(before, line, 0.02) : undefined;
    const tail = pieces[pieces.length - 1];
    if (crossing && tail && nearest(points.slice(Math.max(0, at - 3), from + 4), crossing) <= CUT_OFF_PX) {
      pieces[pieces.length - 1] = { kind: 'line', from: tail.from, to: crossing };
      pieces.push({ kind: 'line', from: crossing, to: end });
    } else {
      const begin = from <= 2 ? start : onLine(points[from] as Point);
      if (from > 2) curveTo(from, begin, back(direction));
      pieces.push({ kind: 'line', from: begin, to: end });
    }
    [at, start, leave, before] = [to, end, direction, line];
  }
  if (at < points.length - 3) curveTo(points.length - 1, last, undefined);
  return pieces;
}
/** Steps between two straight runs that are taken for one corner, and how much of it the picture's softness may have cut off, in pixels. */
const [MEETING, CUT_OFF_PX] = [9, 1];

const nearest = (points: readonly Point[], { x, y }: Point): number =>
  points.reduce((best, point) => Math.min(best, Math.hypot(point.x - x, point.y - y)), Infinity);

/** Lines that are all but upright or level become so; ends that are shared with other chains stay. */
function levelled(pieces: readonly Piece[], closed: boolean): Piece[] {
  const count = pieces.length;
  const nodes = pieces.map(({ from }) => ({ ...from }));
  if (!closed) nodes.push({ ...(pieces[count - 1] as Piece).to });
  const fixed = (index: number): boolean => !closed && (index === 0 || index === count);
  pieces.forEach((piece, index) => {
    if (piece.kind !== 'line') return;
    const next = closed ? (index + 1) % count : index + 1;
    const [a, b] = [nodes[index] as { x: number; y: number }, nodes[next] as { x: number; y: number }];
    for (const [across, along] of [
      ['x', 'y'],
      ['y', 'x'],
    ] as const) {
      const [drift, length] = [Math.abs(b[across] - a[across]), Math.abs(b[along] - a[along])];
      if (length < 6 || drift > Math.max(LEVEL_PX, LEVEL_SLOPE * length) || drift > 0.05 * length) continue;
      const value = fixed(index) ? a[across] : fixed(next) ? b[across] : (a[across] + b[across]) / 2;
      if (fixed(index) && fixed(next)) continue;
      a[across] = b[across] = value;
    }
  });
  return pieces.map((piece, index) => {
    const [from, to] = [nodes[index] as Point, nodes[closed ? (index + 1) % count : index + 1] as Point];
    if (piece.kind === 'line') return { kind: 'line', from, to };
    // Handles go with their nodes.
    const move = (handle: Point, was: Point, is: Point): Point => ({ x: handle.x + is.x - was.x, y: handle.y + is.y - was.y });
    return { ...piece, from, to, first: move(piece.first, piece.from, from), second: move(piece.second, piece.to, to) };
  });
}

const circlePieces = (x: number, y: number, radius: number, clockwise: boolean): Piece[] =>
  [0, 1, 2, 3].map((quarter) => {
    const sign = clockwise ? 1 : -1;
    const [a, b] = [(sign * quarter * Math.PI) / 2, (sign * (quarter + 1) * Math.PI) / 2];
    const place = (angle: number): Point => ({ x: x + radius * Math.cos(angle), y: y + radius * Math.sin(angle) });
    const [from, to] = [place(a), place(b)];
    const handle = radius * KAPPA * sign;
    return {
      kind: 'cubic',
      from,
      first: { x: from.x - Math.sin(a) * handle, y: from.y + Math.cos(a) * handle },
      second: { x: to.x + Math.sin(b) * handle, y: to.y - Math.cos(b) * handle },
      to,
    };
  });

const signedArea = (ring: readonly Point[]): number =>
  ring.reduce((sum, { x, y }, index) => {
    const next = ring[(index + 1) % ring.length] as Point;
    return sum + x * next.y - next.x * y;
  }, 0) / 2;

/**
 * A border as few lines and curves: corners kept, straight runs straight, circles round, curves cut at their extremes.
 * Every piece begins where the one before ends; those of a closed border end where they began.
 */
export function fitChain({ points, closed }: Chain, { withinPx }: Closeness): readonly Piece[] {
  const row = evened(points, closed);
  if (closed) {
    const circle = circleOf(row);
    if (circle) return circlePieces(circle.x, circle.y, circle.radius, signedArea(row) > 0);
  }
  const corners = cornersOf(row, closed);
  const total = row.length;
  if (!closed) {
    const inner = corners.filter(({ index }) => index > 2 && index < total - 3);
    return levelled(spansOf(row, inner, row.length, withinPx), false);
  }
  if (corners.length > 0) {
    // From the first corner round to it again.
    const [{ index: from, at }] = corners as readonly [(typeof corners)[number]];
    const turned = [...row.slice(from), ...row.slice(0, from), row[from] as Point];
    turned[0] = turned[turned.length - 1] = at;
    const places = corners.slice(1).map((corner) => ({ index: corner.index - from, at: corner.at }));
    return levelled(spansOf(turned, places, total, withinPx), true);
  }
  return levelled(roundAbout(row, withinPx), true);
}

/** An open row, cut at its corners. */
function spansOf(
  row: readonly Point[],
  corners: readonly { readonly index: number; readonly at: Point }[],
  wholeLength: number,
  within: number,
): Piece[] {
  const pieces: Piece[] = [];
  let [from, start] = [0, row[0] as Point];
  const end = { index: row.length - 1, at: row[row.length - 1] as Point };
  for (const { index, at } of [...corners, end]) {
    // What the picture's softness has rounded off beside a corner is no part of either side.
    const inside = row.slice(from + 2, Math.max(from + 2, index - 1));
    pieces.push(...fitSpan([start, ...inside, at], wholeLength, within));
    [from, start] = [index, at];
  }
  return pieces;
}

/** A closed line without corners: cut in a straight run, or at an extreme. */
function roundAbout(row: readonly Point[], within: number): Piece[] {
  const total = row.length;
  // Twice round, so that a run across the beginning is found whole.
  const [run] = [...straightRuns([...row, ...row], total)]
    .filter(({ from }) => from < total)
    .sort((a, b) => b.to - b.from - (a.to - a.from));
  if (run) {
    const from = ((run.from + run.to) >> 1) % total;
    const turned = [...row.slice(from), ...row.slice(0, from)];
    const pieces = fitSpan([...turned, turned[0] as Point], total, within);
    // The run that was cut in two is one line again.
    const [head, tail] = [pieces[0], pieces[pieces.length - 1]];
    if (pieces.length > 2 && head?.kind === 'line' && tail?.kind === 'line') return [{ ...tail, to: head.to }, ...pieces.slice(1, -1)];
    return pieces;
  }
  let top = 0;
  row.forEach(({ y }, index) => {
    if (y < (row[top] as Point).y) top = index;
  });
  // The middle of where it is flat.
  const high = (row[top] as Point).y;
  let [left, right] = [top, top];
  while (right - left < total / 8 && (row[(left - 1 + total) % total] as Point).y < high + 0.1) left--;
  while (right - left < total / 8 && (row[(right + 1) % total] as Point).y < high + 0.1) right++;
  top = (((left + right) >> 1) + total) % total;
  const turned = [...row.slice(top), ...row.slice(0, top), row[top] as Point];
  const direction = { x: Math.sign((turned[3] as Point).x - (turned[turned.length - 4] as Point).x) || 1, y: 0 };
  const first = turned[0] as Point;
  // Ends are told apart, so that each curve finds its place in the row.
  turned[turned.length - 1] = { ...first };
  const ends = { leave: direction, arrive: back(direction) };
  return merged(fitSmooth(turned, ends.leave, ends.arrive, within), turned, within, ends).map((curve) => ({ kind: 'cubic', ...curve }));
}
