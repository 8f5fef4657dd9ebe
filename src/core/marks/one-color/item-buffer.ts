import { flatten, type Bounds, type Region } from '../../geometry';
import { distanceOf, type Lab, type Leaf, type Unit } from './units';

/** Cells on the longer side. Decisions are the same at 256, 512 and 768. */
export const BUFFER_CELLS = 256;
/** What is more translucent than this owns no cells: what lies behind it is what is seen. */
const OWNS = 0.3;

/** A grid over the mark. */
export interface Grid {
  readonly columns: number;
  readonly rows: number;
  readonly left: number;
  readonly top: number;
  readonly cell: number;
}

/** A grid over a box with a free cell all around. */
export function gridOver(box: Bounds, cells = BUFFER_CELLS): Grid {
  const cell = Math.max(box.right - box.left, box.bottom - box.top, 1e-9) / cells;
  return {
    columns: Math.ceil((box.right - box.left) / cell) + 4,
    rows: Math.ceil((box.bottom - box.top) / cell) + 4,
    left: box.left - 2 * cell,
    top: box.top - 2 * cell,
    cell,
  };
}

/** Calls `visit` with the first and, exclusive, last cell of every run of cells whose middles a region covers. */
export function fillRows({ path, rule }: Region, grid: Grid, visit: (row: number, from: number, to: number) => void): void {
  const crossings: { x: number; by: number }[][] = Array.from({ length: grid.rows }, () => []);
  for (const polygon of flatten(path, grid.cell * 0.2))
    polygon.forEach((a, index) => {
      const b = polygon[(index + 1) % polygon.length] ?? a;
      if (a.y === b.y) return;
      const [upper, lower, by] = a.y < b.y ? [a, b, 1] : [b, a, -1];
      const first = Math.max(0, Math.ceil((upper.y - grid.top) / grid.cell - 0.5));
      const last = Math.min(grid.rows - 1, Math.ceil((lower.y - grid.top) / grid.cell - 0.5) - 1);
      for (let row = first; row <= last; row++) {
        const y = grid.top + (row + 0.5) * grid.cell;
        crossings[row]?.push({ x: upper.x + ((y - upper.y) / (lower.y - upper.y)) * (lower.x - upper.x), by });
      }
    });
  crossings.forEach((row, index) => {
    row.sort((one, other) => one.x - other.x);
    let winding = 0;
    for (let at = 0; at + 1 < row.length; at++) {
      const here = row[at] as { x: number; by: number };
      winding += here.by;
      const inside = rule === 'evenodd' ? at % 2 === 0 : winding !== 0;
      if (!inside) continue;
      const from = Math.max(0, Math.ceil((here.x - grid.left) / grid.cell - 0.5));
      const to = Math.min(grid.columns, Math.ceil(((row[at + 1] as { x: number }).x - grid.left) / grid.cell - 0.5));
      if (to > from) visit(index, from, to);
    }
  });
}

/** A border between two units, or a unit and the ground (−1). */
export interface Border {
  readonly one: number;
  readonly other: number;
  /** In mark pixels. */
  readonly length: number;
  /** Mean distance of the colors that meet there, OKLab. */
  readonly distance: number;
  /** Lightness of `one` less that of `other`, mean. */
  readonly lighter: number;
}

/** What is seen of one unit. */
export interface SeenUnit extends Unit {
  /** In square mark pixels. */
  readonly area: number;
  /** Twice its area by its outline, in mark pixels. */
  readonly thickness: number;
  /** From paper, 0, to ink, 1. */
  readonly tone: number;
  /** Mean color of its cells as they are seen. */
  readonly seen: Lab;
}

export interface ItemBuffer {
  readonly grid: Grid;
  /** The unit on top of every cell; −1 is ground. */
  readonly owners: Int16Array;
  /** Lightness, a, b of every cell, three numbers each. */
  readonly colors: Float32Array;
  readonly units: readonly SeenUnit[];
  readonly borders: readonly Border[];
}

/** The mean of straight lines in all directions, counted in steps along a square grid. */
const STEPS_TO_LENGTH = Math.PI / 4;

/** Draws all leaves back to front into a grid, and measures what is seen. @param paper the ground; @param ink what counts as darkest */
export function itemBuffer(leaves: readonly Leaf[], units: readonly Unit[], grid: Grid, paper: Lab, ink: Lab): ItemBuffer {
  const count = grid.columns * grid.rows;
  const owners = new Int16Array(count).fill(-1);
  const colors = new Float32Array(count * 3);
  for (let at = 0; at < count; at++) colors.set([paper.l, paper.a, paper.b], at * 3);
  for (const leaf of leaves)
    fillRows(leaf, grid, (row, from, to) => {
      for (let at = row * grid.columns + from; at < row * grid.columns + to; at++) {
        const own = leaf.opacity;
        colors[at * 3] = (colors[at * 3] as number) * (1 - own) + leaf.color.l * own;
        colors[at * 3 + 1] = (colors[at * 3 + 1] as number) * (1 - own) + leaf.color.a * own;
        colors[at * 3 + 2] = (colors[at * 3 + 2] as number) * (1 - own) + leaf.color.b * own;
        if (own >= OWNS) owners[at] = leaf.unit;
      }
    });
  const colorAt = (at: number): Lab => ({ l: colors[at * 3] as number, a: colors[at * 3 + 1] as number, b: colors[at * 3 + 2] as number });
  const sums = units.map(() => ({ cells: 0, outline: 0, l: 0, a: 0, b: 0 }));
  const pairs = new Map<string, { one: number; other: number; steps: number; distance: number; lighter: number }>();
  const meet = (at: number, next: number): void => {
    const [one, other] = [owners[at] as number, owners[next] as number];
    if (one === other) return;
    const [low, high, from, to] = one < other ? [one, other, at, next] : [other, one, next, at];
    const key = `${low} ${high}`;
    const pair = pairs.get(key) ?? { one: low, other: high, steps: 0, distance: 0, lighter: 0 };
    const [a, b] = [colorAt(from), colorAt(to)];
    pair.steps++;
    pair.distance += distanceOf(a, b);
    pair.lighter += a.l - b.l;
    pairs.set(key, pair);
    for (const unit of [one, other]) if (unit >= 0) (sums[unit] as { outline: number }).outline++;
  };
  for (let at = 0; at < count; at++) {
    const owner = owners[at] as number;
    if (owner >= 0) {
      const sum = sums[owner] as { cells: number; l: number; a: number; b: number };
      sum.cells++;
      sum.l += colors[at * 3] as number;
      sum.a += colors[at * 3 + 1] as number;
      sum.b += colors[at * 3 + 2] as number;
    }
    if ((at + 1) % grid.columns !== 0) meet(at, at + 1);
    if (at + grid.columns < count) meet(at, at + grid.columns);
  }
  const { cell } = grid;
  const darkest = paper.l - ink.l || 1e-9;
  return {
    grid,
    owners,
    colors,
    units: units.map((unit, index) => {
      const { cells, outline, l, a, b } = sums[index] as { cells: number; outline: number; l: number; a: number; b: number };
      const seen = cells > 0 ? { l: l / cells, a: a / cells, b: b / cells } : unit.color;
      const length = outline * cell * STEPS_TO_LENGTH;
      return {
        ...unit,
        area: cells * cell * cell,
        thickness: length > 0 ? (2 * cells * cell * cell) / length : 0,
        tone: Math.min(1, Math.max(0, (paper.l - seen.l) / darkest)),
        seen,
      };
    }),
    borders: [...pairs.values()].map(({ one, other, steps, distance, lighter }) => ({
      one,
      other,
      length: steps * cell * STEPS_TO_LENGTH,
      distance: distance / steps,
      lighter: lighter / steps,
    })),
  };
}
