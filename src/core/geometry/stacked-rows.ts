import { PathPen } from './path';
import type { Point } from './point';
import type { Region } from './region';

/** A stretch of a row, from left to right. */
export type Stretch = readonly [from: number, to: number];

/** Where one of two lists of stretches covers what the other does not, and which. */
function differing(above: readonly Stretch[], below: readonly Stretch[]): readonly (readonly [from: number, to: number, below: boolean])[] {
  const ends = [...new Set([...above, ...below].flat())].sort((one, other) => one - other);
  const covers = (stretches: readonly Stretch[], x: number) => stretches.some(([from, to]) => from < x && x < to);
  return ends.slice(1).flatMap((to, n) => {
    const from = ends[n] as number;
    const middle = (from + to) / 2;
    const [over, under] = [covers(above, middle), covers(below, middle)];
    return over === under ? [] : [[from, to, under] as const];
  });
}

/**
 * The outline of rows of stretches that stand upon one another, exactly: no outline is combined for it. Inside lies to the right of every line.
 * @param rows stretches of each row, none touching another; no stretch of a row may end just where one of the next begins
 * @param top of the first row @param height of each
 */
export function stackedRows(rows: readonly (readonly Stretch[])[], top: number, height: number): Region {
  const next = new Map<string, readonly [from: Point, to: Point]>();
  const key = ({ x, y }: Point) => `${x} ${y}`;
  const line = (x0: number, y0: number, x1: number, y1: number) => {
    const from = { x: x0, y: y0 };
    next.set(key(from), [from, { x: x1, y: y1 }]);
  };
  for (let row = 0; row <= rows.length; row++) {
    const [y, foot] = [top + row * height, top + (row + 1) * height];
    for (const [from, to, isBelow] of differing(rows[row - 1] ?? [], rows[row] ?? []))
      if (isBelow) line(from, y, to, y);
      else line(to, y, from, y);
    for (const [from, to] of rows[row] ?? []) {
      line(to, y, to, foot);
      line(from, foot, from, y);
    }
  }
  const pen = new PathPen();
  for (const [start, [first]] of next) {
    if (!next.has(start)) continue;
    const corners: Point[] = [];
    for (let at = start, edge = next.get(at); edge; edge = next.get(at)) {
      next.delete(at);
      corners.push(edge[0]);
      at = key(edge[1]);
    }
    // Where a side goes on from one row to the next there is no corner.
    const kept = corners.filter(({ x }, n) => {
      const [before, after] = [corners.at(n - 1) ?? first, corners[(n + 1) % corners.length] ?? first];
      return before.x !== x || after.x !== x;
    });
    kept.forEach(({ x, y }, n) => (n === 0 ? pen.move(x, y) : pen.line(x, y)));
    if (kept.length > 0) pen.close();
  }
  return { path: pen.path(), rule: 'nonzero' };
}
