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
  /** Of those that come out of one overlap only: how far from the other shapes they reach, in cells; of others, farther than anything. */
  readonly reach: number;
  /** The longer side of its box, in cells. */
  readonly extent: number;
}

/** Shapes laid over one another, as they meet. */
export interface Overlay {
  readonly overlaps: readonly Overlap[];
  readonly pieces: readonly Piece[];
  /** Cells that three or more shapes cover. */
  readonly triple: number;
  /** Of every cell: the shapes that cover it, as bits. */
  readonly bits: Uint8Array;
  /** Of every cell: the overlap that it belongs to, counted from 1; 0 is none. */
  readonly overlapAt: Int16Array;
  readonly columns: number;
  readonly rows: number;
  readonly x: number;
  readonly y: number;
}

/** Overlaps larger than this many crossings of the two strokes run along one another. */
const ALONG = 2.4;
/** A piece that reaches less far than the gap and this many thicknesses beyond the other shape only pokes out. */
const POKE = 0.8;
const FAR = 1e9;

const isOne = (bits: number): boolean => (bits & (bits - 1)) === 0;

/** Cells side by side that the same shapes cover. */
interface Run {
  readonly row: number;
  readonly from: number;
  /** Beyond its last cell. */
  readonly to: number;
  readonly bits: number;
}
/** What hangs together, as runs. */
interface Cluster {
  readonly bits: number;
  readonly runs: Run[];
  cells: number;
}

/**
 * What hangs together among cells of equal bits, corners counted as touching.
 * @source runs and a union of equivalences: A. Rosenfeld, J. Pfaltz, "Sequential operations in digital picture processing", 1966
 */
function clustersOf(bits: Uint8Array, columns: number, rows: number): readonly Cluster[] {
  const runs: Run[] = [];
  const parent: number[] = [];
  const root = (index: number): number => {
    let at = index;
    while (parent[at] !== at) at = parent[at] = parent[parent[at] as number] as number;
    return at;
  };
  let above = 0;
  for (let row = 0; row < rows; row++) {
    const here = runs.length;
    const start = row * columns;
    for (let column = 0; column < columns;) {
      const own = bits[start + column] as number;
      const from = column++;
      if (own === 0) continue;
      while (column < columns && bits[start + column] === own) column++;
      const index = runs.length;
      runs.push({ row, from, to: column, bits: own });
      parent.push(index);
      while (above < here && (runs[above] as Run).to < from) above++;
      for (let up = above; up < here && (runs[up] as Run).from <= column; up++)
        if ((runs[up] as Run).bits === own) parent[root(index)] = root(up);
    }
    above = here;
  }
  const clusters = new Map<number, Cluster>();
  runs.forEach((run, index) => {
    const at = root(index);
    const cluster = clusters.get(at) ?? { bits: run.bits, runs: [], cells: 0 };
    clusters.set(at, cluster);
    cluster.runs.push(run);
    cluster.cells += run.to - run.from;
  });
  return [...clusters.values()];
}

/**
 * How shapes meet: overlaps and what comes out of them, by cells alone.
 * @param gap white kept where one passes under the other, in cells
 */
export function overlaid(layers: readonly Layer[], gap: number): Overlay {
  const x = Math.min(...layers.map((layer) => layer.x + layer.ink[0])) - 1;
  const y = Math.min(...layers.map((layer) => layer.y + layer.ink[1])) - 1;
  const columns = Math.max(...layers.map((layer) => layer.x + layer.ink[2])) + 1 - x;
  const rows = Math.max(...layers.map((layer) => layer.y + layer.ink[3])) + 1 - y;
  const bits = new Uint8Array(columns * rows);
  layers.forEach((layer, shape) => {
    const [left, top, right, bottom] = layer.ink;
    const bit = 1 << shape;
    for (let row = top; row < bottom; row++) {
      const from = row * layer.columns;
      const to = (layer.y + row - y) * columns + layer.x - x;
      for (let column = left; column < right; column++)
        if (layer.mask[from + column]) bits[to + column] = (bits[to + column] as number) | bit;
    }
  });
  const clusters = clustersOf(bits, columns, rows);
  const both = clusters.filter((cluster) => !isOne(cluster.bits) && isOne(cluster.bits & (cluster.bits - 1)));
  const alone = clusters.filter((cluster) => isOne(cluster.bits));
  let triple = 0;
  for (const cluster of clusters) if (!isOne(cluster.bits) && !isOne(cluster.bits & (cluster.bits - 1))) triple += cluster.cells;
  const pieceAt = new Int16Array(bits.length);
  alone.forEach(({ runs }, index) =>
    runs.forEach(({ row, from, to }) => pieceAt.fill(index + 1, row * columns + from, row * columns + to)),
  );
  const overlapAt = new Int16Array(bits.length);
  both.forEach(({ runs }, index) =>
    runs.forEach(({ row, from, to }) => overlapAt.fill(index + 1, row * columns + from, row * columns + to)),
  );

  /** What a layer knows about a cell of the common grid. */
  const at = (layer: Layer, of: Float32Array, column: number, row: number): number => {
    const [ownColumn, ownRow] = [column + x - layer.x, row + y - layer.y];
    return ownColumn < 0 || ownRow < 0 || ownColumn >= layer.columns || ownRow >= layer.rows
      ? FAR
      : (of[ownRow * layer.columns + ownColumn] as number);
  };

  // Ports: what belongs to one shape alone beside an overlap, one for each run of cells that hang together.
  const stamp = new Int32Array(bits.length);
  const raw = both.map((cluster, index) => {
    const { bits: own, runs, cells } = cluster;
    const pair: [number, number] = [Math.log2(own & -own), Math.log2(own & (own - 1))];
    const [a, b] = [layers[pair[0]] as Layer, layers[pair[1]] as Layer];
    const found: number[] = [];
    let [sumX, sumY, thickA, thickB] = [0, 0, 0, 0];
    for (const { row, from, to } of runs)
      for (let column = from; column < to; column++) {
        sumX += column;
        sumY += row;
        thickA = Math.max(thickA, at(a, a.inside, column, row));
        thickB = Math.max(thickB, at(b, b.inside, column, row));
        const cell = row * columns + column;
        for (let dy = -columns; dy <= columns; dy += columns)
          for (let near = cell + dy - 1; near <= cell + dy + 1; near++)
            // A third shape beside it has no part in this overlap.
            if (pieceAt[near] && ((bits[near] as number) & own) !== 0 && stamp[near] !== -(index + 1)) {
              stamp[near] = -(index + 1);
              found.push(near);
            }
      }
    const ports: [Port[], Port[]] = [[], []];
    for (const start of found) {
      if (stamp[start] !== -(index + 1)) continue;
      const bit = bits[start] as number;
      const stack = [start];
      stamp[start] = index + 1;
      let [count, portX, portY] = [0, 0, 0];
      for (let cell = stack.pop(); cell !== undefined; cell = stack.pop()) {
        count++;
        portX += cell % columns;
        portY += Math.floor(cell / columns);
        for (let dy = -columns; dy <= columns; dy += columns)
          for (let near = cell + dy - 1; near <= cell + dy + 1; near++)
            if (bits[near] === bit && stamp[near] === -(index + 1)) {
              stamp[near] = index + 1;
              stack.push(near);
            }
      }
      const port = { piece: (pieceAt[start] as number) - 1, x: portX / count + x, y: portY / count + y };
      (1 << pair[0] === bit ? ports[0] : ports[1]).push(port);
    }
    return {
      ...{ pair, ports, cells, x: sumX / cells + x, y: sumY / cells + y },
      thickness: [Math.max(1, 2 * thickA - 1), Math.max(1, 2 * thickB - 1)] as const,
    };
  });

  const portsOf = new Map<number, number>();
  for (const { ports } of raw) for (const side of ports) for (const { piece } of side) portsOf.set(piece, (portsOf.get(piece) ?? 0) + 1);
  const pieces = alone.map(({ bits: own, runs, cells }, index): Piece => {
    const shape = Math.log2(own);
    let [left, right] = [columns, 0];
    for (const { from, to } of runs) {
      if (from < left) left = from;
      if (to > right) right = to;
    }
    const extent = Math.max(right - left, (runs.at(-1) as Run).row - (runs[0] as Run).row + 1);
    if (portsOf.get(index) !== 1) return { shape, cells, reach: FAR, extent };
    let reach = 0;
    for (const { row, from, to } of runs)
      for (let column = from; column < to; column++) {
        let nearest = FAR;
        layers.forEach((layer, other) => {
          if (other !== shape) nearest = Math.min(nearest, at(layer, layer.outside, column, row));
        });
        if (nearest > reach) reach = nearest;
      }
    return { shape, cells, reach, extent };
  });
  const overlaps = raw.map((each): Overlap => {
    const [a, b] = each.ports;
    const count = a.length + b.length;
    const pokes = each.ports.some((side, index) =>
      side.some(({ piece }) => portsOf.get(piece) === 1 && (pieces[piece] as Piece).reach < gap + POKE * (each.thickness[index] as number)),
    );
    const kind =
      a.length === 2 && b.length === 2
        ? each.cells > ALONG * each.thickness[0] * each.thickness[1]
          ? 'along'
          : pokes
            ? 'poke'
            : 'cross'
        : count >= 5
          ? 'knot'
          : 'end';
    return { ...each, kind };
  });
  return { overlaps, pieces, triple, bits, overlapAt, columns, rows, x, y };
}
