/** A grid whose pixels are to be parted in two: what it costs each to be on either side, and each pair of neighbors to be on different ones. */
export interface CutCosts {
  readonly columns: number;
  readonly rows: number;
  /** Cost of being ground, and of being subject. */
  readonly ground: Float32Array;
  readonly subject: Float32Array;
  /** Cost of being parted from the neighbor right, below, below right, below left. */
  readonly parting: readonly [Float32Array, Float32Array, Float32Array, Float32Array];
}

const [FREE, SUBJECT, GROUND] = [0, 1, 2] as const;
/** Parents that are no neighbor. */
const [NONE, TERMINAL, ORPHAN] = [-1, -2, -3] as const;
const FAR = 0x7fffffff;
const LEAST = 1e-6;

/**
 * The parting of a grid that costs least, exactly: the cut of least capacity is the flow of most.
 * @returns 1 for every pixel of the subject
 * @source Y. Boykov, V. Kolmogorov, "An experimental comparison of min-cut/max-flow algorithms for energy minimization in vision", IEEE PAMI 26(9), 2004
 */
export function leastCut({ columns, rows, ground, subject, parting }: CutCosts): Uint8Array {
  const count = columns * rows;
  /** Eight ways from each pixel: right, below, below right, below left, and back. */
  const WAYS = 8;
  const offset = [1, columns, columns + 1, columns - 1, -1, -columns, -columns - 1, -columns + 1];
  const left = new Float32Array(count * WAYS);
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++) {
      const at = y * columns + x;
      for (let way = 0; way < 4; way++) {
        const inside = way === 0 ? x + 1 < columns : way === 1 ? y + 1 < rows : y + 1 < rows && (way === 2 ? x + 1 < columns : x > 0);
        if (!inside) continue;
        const cost = (parting[way as 0] as Float32Array)[at] as number;
        left[at * WAYS + way] = cost;
        left[(at + (offset[way] as number)) * WAYS + way + 4] = cost;
      }
    }
  /** What is left to or from the ends: positive from the subject's, negative to the ground's. */
  const ends = new Float32Array(count);
  for (let at = 0; at < count; at++) ends[at] = (ground[at] as number) - (subject[at] as number);

  const tree = new Uint8Array(count);
  const parent = new Int8Array(count).fill(NONE);
  const stamp = new Int32Array(count);
  const distance = new Int32Array(count);
  let time = 0;
  // Active pixels, first come first served, in a ring.
  const ring = new Int32Array(count + 1);
  const waiting = new Uint8Array(count);
  let [head, tail] = [0, 0];
  const activate = (at: number): void => {
    if (waiting[at]) return;
    waiting[at] = 1;
    ring[tail] = at;
    tail = tail === count ? 0 : tail + 1;
  };
  for (let at = 0; at < count; at++) {
    const end = ends[at] as number;
    if (end === 0) continue;
    tree[at] = end > 0 ? SUBJECT : GROUND;
    parent[at] = TERMINAL;
    distance[at] = 1;
    activate(at);
  }
  const neighbor = (at: number, way: number): number => at + (offset[way] as number);
  const back = (way: number): number => (way + 4) & 7;
  /** What is left of the way from the subject's side through a pixel to its neighbor, in the direction of flow. */
  const open = (at: number, way: number, side: number): number =>
    side === SUBJECT ? (left[at * WAYS + way] as number) : (left[neighbor(at, way) * WAYS + back(way)] as number);
  const exists = (at: number, way: number): boolean => {
    const to = neighbor(at, way);
    return to >= 0 && to < count && ((left[at * WAYS + way] as number) > 0 || (left[to * WAYS + back(way)] as number) > 0);
  };

  let orphans: number[] = [];
  const orphaned = (at: number): void => {
    parent[at] = ORPHAN;
    orphans.push(at);
  };

  /** Sends flow along a way that joins the two trees. */
  function augment(from: number, way: number): void {
    const [source, sink] = tree[from] === SUBJECT ? [from, neighbor(from, way)] : [neighbor(from, way), from];
    const bridge = tree[from] === SUBJECT ? way : back(way);
    let most = left[source * WAYS + bridge] as number;
    for (let at = source; ;) {
      const up = parent[at] as number;
      if (up === TERMINAL) {
        most = Math.min(most, ends[at] as number);
        break;
      }
      const above = neighbor(at, up);
      most = Math.min(most, left[above * WAYS + back(up)] as number);
      at = above;
    }
    for (let at = sink; ;) {
      const up = parent[at] as number;
      if (up === TERMINAL) {
        most = Math.min(most, -(ends[at] as number));
        break;
      }
      most = Math.min(most, left[at * WAYS + up] as number);
      at = neighbor(at, up);
    }
    const send = (at: number, along: number): number => {
      const to = neighbor(at, along);
      const [out, into] = [at * WAYS + along, to * WAYS + back(along)];
      left[into] = (left[into] as number) + most;
      const rest = (left[out] as number) - most;
      left[out] = rest < LEAST ? 0 : rest;
      return left[out] as number;
    };
    send(source, bridge);
    for (let at = source; ;) {
      const up = parent[at] as number;
      if (up === TERMINAL) {
        const rest = (ends[at] as number) - most;
        ends[at] = rest < LEAST ? 0 : rest;
        if (ends[at] === 0) orphaned(at);
        break;
      }
      const above = neighbor(at, up);
      if (send(above, back(up)) === 0) orphaned(at);
      at = above;
    }
    for (let at = sink; ;) {
      const up = parent[at] as number;
      if (up === TERMINAL) {
        const rest = (ends[at] as number) + most;
        ends[at] = rest > -LEAST ? 0 : rest;
        if (ends[at] === 0) orphaned(at);
        break;
      }
      const above = neighbor(at, up);
      if (send(at, up) === 0) orphaned(at);
      at = above;
    }
  }

  /** How far a pixel is from its end; far where its line is cut. */
  function depth(start: number): number {
    let [at, steps] = [start, 0];
    let known: number;
    for (;;) {
      if (stamp[at] === time) {
        known = distance[at] as number;
        break;
      }
      const up = parent[at] as number;
      if (up === TERMINAL) {
        stamp[at] = time;
        distance[at] = 1;
        known = 1;
        break;
      }
      if (up === ORPHAN || up === NONE) return FAR;
      at = neighbor(at, up);
      steps++;
    }
    // Told to all along the line, so that the next one need not walk it.
    let total = known + steps;
    for (let mark = start; stamp[mark] !== time; mark = neighbor(mark, parent[mark] as number)) {
      stamp[mark] = time;
      distance[mark] = total--;
    }
    return known + steps;
  }

  function adopt(at: number): void {
    const side = tree[at] as number;
    let [best, way] = [FAR, NONE as number];
    for (let k = 0; k < WAYS; k++) {
      if (!exists(at, k)) continue;
      const near = neighbor(at, k);
      // The flow comes to a pixel of the subject from its parent, and goes to the parent on the other side.
      const room = side === SUBJECT ? (left[near * WAYS + back(k)] as number) : (left[at * WAYS + k] as number);
      if (tree[near] !== side || room <= 0) continue;
      const steps = depth(near);
      if (steps < best) [best, way] = [steps, k];
    }
    if (way !== NONE) {
      parent[at] = way;
      stamp[at] = time;
      distance[at] = best + 1;
      return;
    }
    tree[at] = FREE;
    parent[at] = NONE;
    for (let k = 0; k < WAYS; k++) {
      if (!exists(at, k)) continue;
      const near = neighbor(at, k);
      if (tree[near] !== side) continue;
      const room = side === SUBJECT ? (left[near * WAYS + back(k)] as number) : (left[at * WAYS + k] as number);
      if (room > 0) activate(near);
      if ((parent[near] as number) >= 0 && neighbor(near, parent[near] as number) === at) orphaned(near);
    }
  }

  while (head !== tail) {
    const at = ring[head] as number;
    const side = tree[at] as number;
    let met = NONE as number;
    if (side !== FREE)
      for (let way = 0; way < WAYS; way++) {
        if (!exists(at, way) || open(at, way, side) <= 0) continue;
        const near = neighbor(at, way);
        if (tree[near] === FREE) {
          tree[near] = side;
          parent[near] = back(way);
          stamp[near] = stamp[at] as number;
          distance[near] = (distance[at] as number) + 1;
          activate(near);
        } else if (tree[near] !== side) {
          met = way;
          break;
        } else if ((stamp[near] as number) <= (stamp[at] as number) && (distance[near] as number) > (distance[at] as number)) {
          // A shorter line to the end.
          parent[near] = back(way);
          stamp[near] = stamp[at] as number;
          distance[near] = (distance[at] as number) + 1;
        }
      }
    if (met === NONE) {
      waiting[at] = 0;
      head = head === count ? 0 : head + 1;
      continue;
    }
    time++;
    augment(at, met);
    while (orphans.length > 0) {
      const list = orphans;
      orphans = [];
      for (const orphan of list) adopt(orphan);
    }
  }
  return Uint8Array.from(tree, (side) => (side === SUBJECT ? 1 : 0));
}
