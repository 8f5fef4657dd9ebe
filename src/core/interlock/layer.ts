import { boundsOf, distanceInside, fillRows, mapPath, openedBySmall, type Affine, type CellGrid, type Region } from '../geometry';
import { WHOLE } from '../numeric/tolerances';

/** A shape as cells: what it covers, how deep inside every covered cell lies, and how far outside every other one. */
export interface Layer {
  readonly mask: Uint8Array;
  /** In cells; 0 outside. */
  readonly inside: Float32Array;
  /** In cells; 0 inside. Measured when it is asked for first. */
  readonly outside: () => Float32Array;
  readonly columns: number;
  readonly rows: number;
  /** Where its first cell lies on the common grid, in whole cells. */
  readonly x: number;
  readonly y: number;
  /** Cells covered. */
  readonly area: number;
  /** Where its ink balances, from its own first cell. */
  readonly centerX: number;
  readonly centerY: number;
  /** The box of its ink, from its own first cell: left, top, right, bottom. */
  readonly ink: readonly [number, number, number, number];
  /** Its ink as cells side by side, row after row: the first one of each and the one beyond its last, in columns of its own. */
  readonly runs: Int32Array;
  /** Of each row, and beyond the last: which run it begins with. */
  readonly rowRuns: Int32Array;
  /** The covered cells that lie along its outline. */
  readonly edge: Int32Array;
}

/** A layer that begins elsewhere. */
export const layerAt = (layer: Layer, x: number, y: number): Layer => ({ ...layer, x, y });

/**
 * A region as cells of a grid whose lines run through the origin.
 * @param perUnit cells in one unit of the region; @param room free cells all around, as far as distances outside are asked for
 */
export function layerOf(region: Region, perUnit: number, room: number, map?: Affine): Layer | undefined {
  const path = map ? mapPath(region.path, map) : region.path;
  const box = boundsOf(path);
  if (!box) return undefined;
  const [left, top] = [Math.floor(box.left * perUnit) - room, Math.floor(box.top * perUnit) - room];
  const columns = Math.ceil(box.right * perUnit) + room - left;
  const rows = Math.ceil(box.bottom * perUnit) + room - top;
  const mask = inked({ path, rule: region.rule }, { columns, rows, left: left / perUnit, top: top / perUnit, cell: 1 / perUnit }, room - 1);
  let [area, sumX, sumY] = [0, 0, 0];
  let [inkLeft, inkTop, inkRight, inkBottom] = [columns, rows, 0, 0];
  for (let y = 0, at = 0; y < rows; y++)
    for (let x = 0; x < columns; x++, at++) {
      if (!mask[at]) continue;
      area++;
      sumX += x;
      sumY += y;
      if (x < inkLeft) inkLeft = x;
      if (x >= inkRight) inkRight = x + 1;
      if (y < inkTop) inkTop = y;
      if (y >= inkBottom) inkBottom = y + 1;
    }
  if (area === 0) return undefined;
  const inside = distanceInside(mask, columns, rows);
  let outside: Float32Array | undefined;
  return {
    mask,
    inside,
    ...runsOf(mask, columns, rows),
    edge: Int32Array.from(edgeOf(inside)),
    outside: () =>
      (outside ??= distanceInside(
        mask.map((covered) => 1 - covered),
        columns,
        rows,
      )),
    ...{ columns, rows, area },
    ...{ x: left, y: top, centerX: sumX / area, centerY: sumY / area },
    ink: [inkLeft, inkTop, inkRight, inkBottom],
  };
}

/** A covered cell that is no deeper than this, in cells, lies along the outline. */
const ALONG_OUTLINE = 1.01;
function* edgeOf(inside: Float32Array): Generator<number> {
  for (let at = 0; at < inside.length; at++) if ((inside[at] as number) > 0 && (inside[at] as number) <= ALONG_OUTLINE) yield at;
}

function runsOf(mask: Uint8Array, columns: number, rows: number): Pick<Layer, 'runs' | 'rowRuns'> {
  const runs: number[] = [];
  const rowRuns = new Int32Array(rows + 1);
  for (let row = 0; row < rows; row++) {
    const start = row * columns;
    for (let column = 0; column < columns; column++) {
      if (!mask[start + column]) continue;
      const from = column;
      while (column < columns && mask[start + column]) column++;
      runs.push(from, column);
    }
    rowRuns[row + 1] = runs.length / 2;
  }
  return { runs: Int32Array.from(runs), rowRuns };
}

/** Every cell is looked at this many times across and down. */
const SUB = 3;
/** A cell is ink from this share of it on. */
const MOST = 4 / 9;
/** Strokes thinner than this, in cells, are hairlines: a cell is ink already from the lower share of one on, so that they stay whole. */
const HAIRLINE = 1.4;
const LEAST = 2 / 9;

/** The cells that a region covers; hairlines thinner than a cell stay whole lines. @param empty cells all around without any ink */
function inked(region: Region, grid: CellGrid, empty: number): Uint8Array {
  const { columns, rows, cell: side } = grid;
  const fine: CellGrid = {
    columns: (columns - 2 * empty) * SUB,
    rows: (rows - 2 * empty) * SUB,
    left: grid.left + empty * side,
    top: grid.top + empty * side,
    cell: side / SUB,
  };
  const covered = new Uint8Array(fine.columns * fine.rows);
  fillRows(region, fine, (row, from, to) => covered.fill(1, row * fine.columns + from, row * fine.columns + to));
  const thick = openedBySmall(covered, fine.columns, fine.rows, (HAIRLINE * SUB) / 2);
  const share = new Float32Array(columns * rows);
  const hair = new Float32Array(columns * rows);
  for (let y = 0, at = 0; y < fine.rows; y++)
    for (let x = 0; x < fine.columns; x++, at++) {
      if (!covered[at]) continue;
      const cell = (Math.floor(y / SUB) + empty) * columns + Math.floor(x / SUB) + empty;
      share[cell] = (share[cell] as number) + 1 / (SUB * SUB);
      if (!thick[at]) hair[cell] = (hair[cell] as number) + 1 / (SUB * SUB);
    }
  const mask = new Uint8Array(columns * rows);
  for (let at = 0; at < mask.length; at++) if ((share[at] as number) >= MOST - WHOLE || (hair[at] as number) >= LEAST - WHOLE) mask[at] = 1;
  return mask;
}
