import { fillRows, type CellGrid } from '../../geometry';
import { distanceOf, type Lab, type Leaf, type Unit } from './units';
import { NOUGHT } from '../../numeric/tolerances';

/** Cells on the longer side. Decisions are the same at 256, 512 and 768. */
export const BUFFER_CELLS = 256;
/** What is more translucent than this owns no cells: what lies behind it is what is seen. */
const OWNS = 0.3;

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
  /** Which ink it would be printed in, where there are two. */
  readonly ink: number;
  /** Mean color of its cells as they are seen. */
  readonly seen: Lab;
}

export interface ItemBuffer {
  readonly grid: CellGrid;
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
export function itemBuffer(leaves: readonly Leaf[], units: readonly Unit[], grid: CellGrid, paper: Lab, ink: Lab): ItemBuffer {
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
  const darkest = paper.l - ink.l || NOUGHT;
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
        ink: 0,
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
