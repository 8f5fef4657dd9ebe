import type { Layer } from './layer';

/**
 * What an overlap of two shapes is.
 * Cross: a stroke passes over a stroke; along: it runs upon it for a while; poke: one of them hardly comes out again; knot: several strokes at once;
 * end: one ends upon the other.
 */
export type OverlapKind = 'cross' | 'along' | 'poke' | 'knot' | 'end';

/** Where a piece that belongs to one shape alone meets an overlap. */
export interface Port {
  readonly piece: number;
  readonly x: number;
  readonly y: number;
}

export interface Overlap {
  /** The two shapes, the lower one in the stack first. */
  readonly pair: readonly [number, number];
  readonly cells: number;
  /** Its middle, in cells of the common grid. */
  readonly x: number;
  readonly y: number;
  /** How thick the two shapes are there, in cells. */
  readonly thickness: readonly [number, number];
  readonly ports: readonly [readonly Port[], readonly Port[]];
  readonly kind: OverlapKind;
}

/** What hangs together of one shape beside all others. */
export interface Piece {
  readonly shape: number;
  readonly cells: number;
  /** The longer side of its box, in cells. */
  readonly extent: number;
}

/** Shapes laid over one another, as they meet. */
export interface Overlay {
  readonly overlaps: readonly Overlap[];
  readonly pieces: readonly Piece[];
}

/** Overlaps larger than this many crossings of the two strokes run along one another. */
const ALONG = 2.4;
/** A piece that reaches less far than the gap and this many thicknesses beyond the other shape only pokes out. */
const POKE = 0.8;

const isOne = (bits: number): boolean => (bits & (bits - 1)) === 0;

/** Cells side by side in a row of the common grid that the same shapes cover: row by row, and along each row; one array for each fact. */
class Runs {
  readonly row: number[] = [];
  readonly from: number[] = [];
  /** Beyond the last cell. */
  readonly to: number[] = [];
  /** The shapes that cover it, as bits. */
  readonly bits: number[] = [];
  /** Which run the first row begins with, and each that follows. */
  readonly begins: number[] = [];

  push(row: number, from: number, to: number, bits: number): void {
    this.row.push(row);
    this.from.push(from);
    this.to.push(to);
    this.bits.push(bits);
  }
  get count(): number {
    return this.row.length;
  }
}

/** What hangs together: runs in the order of their rows, by their numbers. */
interface Cluster {
  readonly bits: number;
  readonly runs: number[];
  cells: number;
}

/** Right of every column. */
const NO_COLUMN = 1 << 29;

/** What shapes cover together, row by row: their own runs, cut wherever one of them begins or ends. */
function runsOf(layers: readonly Layer[]): Runs {
  const top = Math.min(...layers.map(({ y, ink }) => y + ink[1]));
  const bottom = Math.max(...layers.map(({ y, ink }) => y + ink[3]));
  const all = new Runs();
  const [edges, shifts] = [layers.map(({ runs }) => runs), layers.map(({ x }) => x)];
  // Of each layer its next beginning or end in the row, where that is, and what lies beyond its last one.
  const [next, column, beyond] = [layers.map(() => 0), layers.map(() => NO_COLUMN), layers.map(() => 0)];
  const look = (which: number): void => {
    const edge = next[which] as number;
    column[which] =
      edge < (beyond[which] as number) ? (shifts[which] as number) + ((edges[which] as Int32Array)[edge] as number) : NO_COLUMN;
  };
  for (let row = top; row < bottom; row++) {
    all.begins.push(all.count);
    for (let which = 0; which < layers.length; which++) {
      const { y, rows, rowRuns } = layers[which] as Layer;
      const isIn = row >= y && row < y + rows;
      next[which] = isIn ? 2 * (rowRuns[row - y] as number) : 0;
      beyond[which] = isIn ? 2 * (rowRuns[row - y + 1] as number) : 0;
      look(which);
    }
    for (let [from, bits] = [0, 0]; ;) {
      let edge = NO_COLUMN;
      for (let which = 0; which < column.length; which++) if ((column[which] as number) < edge) edge = column[which] as number;
      if (edge === NO_COLUMN) break;
      if (bits !== 0) all.push(row, from, edge, bits);
      from = edge;
      for (let which = 0; which < column.length; which++) {
        if (column[which] !== edge) continue;
        bits ^= 1 << which;
        next[which] = (next[which] as number) + 1;
        look(which);
      }
    }
  }
  return all;
}

/**
 * Which of the runs hang together, corners counted as touching; each cluster holds runs of equal bits.
 * @source runs and a union of equivalences: A. Rosenfeld, J. Pfaltz, "Sequential operations in digital picture processing", 1966
 */
function clustersOf({ row, from, to, bits, count }: Runs): readonly Cluster[] {
  const parent: number[] = [];
  const root = (index: number): number => {
    let up = index;
    while (parent[up] !== up) up = parent[up] = parent[parent[up] as number] as number;
    return up;
  };
  // Where the row above and this one begin.
  let [above, here] = [0, 0];
  for (let index = 0; index < count; index++) {
    parent.push(index);
    if (row[index] !== row[here]) [above, here] = [(row[here] as number) === (row[index] as number) - 1 ? here : index, index];
    while (above < here && (to[above] as number) < (from[index] as number)) above++;
    for (let up = above; up < here && (from[up] as number) <= (to[index] as number); up++)
      if (bits[up] === bits[index]) parent[root(index)] = root(up);
  }
  const clusters = new Map<number, Cluster>();
  for (let index = 0; index < count; index++) {
    const own = root(index);
    let cluster = clusters.get(own);
    if (!cluster) clusters.set(own, (cluster = { bits: bits[index] as number, runs: [], cells: 0 }));
    cluster.runs.push(index);
    cluster.cells += (to[index] as number) - (from[index] as number);
  }
  return [...clusters.values()];
}

/** The middle of all cells of a cluster. */
function middleOf({ row, from, to }: Runs, { runs, cells }: Cluster): { readonly x: number; readonly y: number } {
  let [x, y] = [0, 0];
  for (const run of runs) {
    const wide = (to[run] as number) - (from[run] as number);
    x += (((from[run] as number) + (to[run] as number) - 1) * wide) / 2;
    y += (row[run] as number) * wide;
  }
  return { x: x / cells, y: y / cells };
}

/** Spans that touch or lie over one another as one, in order. */
function joined(spans: [number, number][]): [number, number][] {
  spans.sort(([one], [other]) => one - other);
  const all: [number, number][] = [];
  for (const [from, to] of spans) {
    const last = all.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else all.push([from, to]);
  }
  return all;
}

/**
 * What belongs to one shape alone right beside an overlap: one port for each run of cells that hang together.
 * @param pieceOf of each run the piece that it belongs to, or -1
 */
function portsBeside(overlap: Cluster, all: Runs, pieceOf: Int32Array): [Port[], Port[]] {
  const first = (all.row[overlap.runs[0] as number] as number) - 1;
  const around: [number, number][][] = Array.from({ length: (all.row[overlap.runs.at(-1) as number] as number) + 2 - first }, () => []);
  for (const run of overlap.runs)
    for (let near = (all.row[run] as number) - 1; near <= (all.row[run] as number) + 1; near++)
      around[near - first]?.push([(all.from[run] as number) - 1, (all.to[run] as number) + 1]);
  const beside = new Runs();
  const pieces: number[] = [];
  const top = all.row[0] as number;
  around.forEach((spans, down) => {
    const row = first + down;
    const [begins, ends] = [all.begins[row - top] ?? all.count, all.begins[row - top + 1] ?? all.count];
    for (const [from, to] of joined(spans))
      for (let run = begins; run < ends && (all.from[run] as number) < to; run++) {
        // A third shape beside it has no part in this overlap.
        if ((all.to[run] as number) <= from || (pieceOf[run] as number) < 0 || ((all.bits[run] as number) & overlap.bits) === 0) continue;
        beside.push(row, Math.max(from, all.from[run] as number), Math.min(to, all.to[run] as number), all.bits[run] as number);
        pieces.push(pieceOf[run] as number);
      }
  });
  const ports: [Port[], Port[]] = [[], []];
  const lower = overlap.bits & -overlap.bits;
  for (const cluster of clustersOf(beside))
    ports[cluster.bits === lower ? 0 : 1].push({ piece: pieces[cluster.runs[0] as number] as number, ...middleOf(beside, cluster) });
  return ports;
}

/** The most that a layer knows of any cell of a cluster that lies within it. */
function most({ x, y, columns }: Layer, of: Float32Array, { row, from, to }: Runs, { runs }: Cluster): number {
  let found = 0;
  for (const run of runs) {
    const start = ((row[run] as number) - y) * columns - x;
    for (let cell = start + (from[run] as number); cell < start + (to[run] as number); cell++)
      if ((of[cell] as number) > found) found = of[cell] as number;
  }
  return found;
}

/** Whether every cell of a cluster is nearer than a limit to one of the layers. */
function staysNear(layers: readonly Layer[], { row, from, to }: Runs, { runs }: Cluster, limit: number): boolean {
  const around = layers.map((layer) => ({ ...layer, outside: layer.outside() }));
  for (const run of runs)
    for (let column = from[run] as number; column < (to[run] as number); column++) {
      let isNear = false;
      for (const { x, y, columns, rows, outside } of around) {
        const [ownColumn, ownRow] = [column - x, (row[run] as number) - y];
        const isIn = ownColumn >= 0 && ownRow >= 0 && ownColumn < columns && ownRow < rows;
        if (isIn && (outside[ownRow * columns + ownColumn] as number) < limit) isNear = true;
      }
      if (!isNear) return false;
    }
  return true;
}

/**
 * How shapes meet: overlaps and what comes out of them, by cells alone.
 * @param gap white kept where one passes under the other, in cells
 */
export function overlaid(layers: readonly Layer[], gap: number): Overlay {
  const all = runsOf(layers);
  const clusters = clustersOf(all);
  const both = clusters.filter((cluster) => !isOne(cluster.bits) && isOne(cluster.bits & (cluster.bits - 1)));
  const alone = clusters.filter((cluster) => isOne(cluster.bits));
  const pieceOf = new Int32Array(all.count).fill(-1);
  alone.forEach((piece, index) => {
    for (const run of piece.runs) pieceOf[run] = index;
  });
  const raw = both.map((cluster) => {
    const { bits: own, cells } = cluster;
    const pair: [number, number] = [Math.log2(own & -own), Math.log2(own & (own - 1))];
    const [a, b] = [layers[pair[0]] as Layer, layers[pair[1]] as Layer];
    return {
      ...{ pair, ports: portsBeside(cluster, all, pieceOf), cells, ...middleOf(all, cluster) },
      thickness: [Math.max(1, 2 * most(a, a.inside, all, cluster) - 1), Math.max(1, 2 * most(b, b.inside, all, cluster) - 1)] as const,
    };
  });

  const portsOf = new Map<number, number>();
  for (const { ports } of raw) for (const side of ports) for (const { piece } of side) portsOf.set(piece, (portsOf.get(piece) ?? 0) + 1);
  const pieces = alone.map(({ bits: own, runs, cells }): Piece => {
    let [left, right] = [Infinity, -Infinity];
    for (const run of runs) {
      left = Math.min(left, all.from[run] as number);
      right = Math.max(right, all.to[run] as number);
    }
    const tall = (all.row[runs.at(-1) as number] as number) - (all.row[runs[0] as number] as number) + 1;
    return { shape: Math.log2(own), cells, extent: Math.max(right - left, tall) };
  });
  /** Whether a piece comes out of one overlap only, and hardly. */
  const pokesOut = (piece: number, thickness: number): boolean => {
    if (portsOf.get(piece) !== 1) return false;
    const cluster = alone[piece] as Cluster;
    const others = layers.filter((_, shape) => 1 << shape !== cluster.bits);
    return staysNear(others, all, cluster, gap + POKE * thickness);
  };
  const overlaps = raw.map((each): Overlap => {
    const [a, b] = each.ports;
    const isCrossing = a.length === 2 && b.length === 2;
    const kind = !isCrossing
      ? a.length + b.length >= 5
        ? 'knot'
        : 'end'
      : each.cells > ALONG * each.thickness[0] * each.thickness[1]
        ? 'along'
        : each.ports.some((side, index) => side.some(({ piece }) => pokesOut(piece, each.thickness[index] as number)))
          ? 'poke'
          : 'cross';
    return { ...each, kind };
  });
  return { overlaps, pieces };
}
