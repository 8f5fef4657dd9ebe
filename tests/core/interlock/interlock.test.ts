import { describe, expect, it } from 'vitest';
import {
  alternated,
  interlocks,
  interlocksOfThree,
  layerOf,
  outlineOf,
  overlaid,
  polygonPath,
  startOf,
  type Layer,
  type Region,
} from '$core/index';
import { weave } from '$core/marks/gathering/weave';
import { areaOfRegion } from '$core/pathops';
import { random } from '../../support/random';
import { paths } from '../../support/resolver';

const bar = (x: number, y: number, w: number, h: number): Region => ({
  path: polygonPath([
    { x, y },
    { x: x + w, y },
    { x: x + w, y: y + h },
    { x, y: y + h },
  ]),
  rule: 'nonzero',
});
const ring = (x: number, y: number): Region => {
  const { path } = { path: outlineOf({ ...startOf('ring'), widthPx: 200, heightPx: 200, bandPx: 24 } as never) };
  return { path: { verbs: path.verbs, coords: path.coords.map((value, index) => value + (index % 2 === 0 ? x : y)) }, rule: 'nonzero' };
};
const cells = (...shapes: readonly Region[]): readonly Layer[] => shapes.map((shape) => layerOf(shape, 0.5, 12) as Layer);
const kinds = (...shapes: readonly Region[]) => overlaid(cells(...shapes), 2).overlaps.map(({ kind }) => kind);

interface Flooded {
  readonly count: number;
  readonly x: number;
  readonly y: number;
  readonly pair: readonly number[];
  readonly ports: readonly (readonly { readonly x: number; readonly y: number }[])[];
}
/** In words that can be sorted and compared; places to a hundredth of a cell. */
const plain = ({ count, x, y, pair, ports }: Flooded): string =>
  JSON.stringify([
    count,
    x.toFixed(2),
    y.toFixed(2),
    pair,
    ports.map((side) => side.map((port) => `${port.x.toFixed(2)} ${port.y.toFixed(2)}`).sort()),
  ]);

/** Overlaps of two shapes and what stands beside them, by flooding cell by cell: the plain way, to check the quick one with. */
function flooded(layers: readonly Layer[]): readonly Flooded[] {
  const at = (x: number, y: number): readonly number[] =>
    layers.flatMap((layer, index) => {
      const [column, row] = [x - layer.x, y - layer.y];
      const isIn = column >= 0 && row >= 0 && column < layer.columns && row < layer.rows;
      return isIn && layer.mask[row * layer.columns + column] ? [index] : [];
    });
  const near = ([x, y]: readonly [number, number]) =>
    [-1, 0, 1].flatMap((dy) => [-1, 0, 1].map((dx): readonly [number, number] => [x + dx, y + dy]));
  /** All cells that hang together with one among those that are of a kind. */
  const flood = (start: readonly [number, number], isOf: (cell: readonly [number, number]) => boolean, seen: Set<string>) => {
    const all: (readonly [number, number])[] = [];
    for (const queue = [start]; queue.length > 0;) {
      const cell = queue.pop() as readonly [number, number];
      if (seen.has(`${cell}`) || !isOf(cell)) continue;
      seen.add(`${cell}`);
      all.push(cell);
      queue.push(...near(cell));
    }
    return all;
  };
  const middle = (all: readonly (readonly [number, number])[]) => ({
    x: all.reduce((sum, [x]) => sum + x, 0) / all.length,
    y: all.reduce((sum, [, y]) => sum + y, 0) / all.length,
  });
  const seen = new Set<string>();
  const overlaps: Flooded[] = [];
  for (const layer of layers)
    for (let y = layer.y; y < layer.y + layer.rows; y++)
      for (let x = layer.x; x < layer.x + layer.columns; x++) {
        const pair = at(x, y);
        if (pair.length !== 2 || seen.has(`${x},${y}`)) continue;
        const island = flood([x, y], ([column, row]) => `${at(column, row)}` === `${pair}`, seen);
        const around = new Set(island.flatMap((cell) => near(cell).map(String)));
        const ports = pair.map((shape) => {
          const taken = new Set<string>();
          const isPort = (cell: readonly [number, number]) => around.has(`${cell}`) && `${at(...cell)}` === `${shape}`;
          return [...around].flatMap((key) => {
            const port = flood(key.split(',').map(Number) as [number, number], isPort, taken);
            return port.length > 0 ? [middle(port)] : [];
          });
        });
        overlaps.push({ count: island.length, ...middle(island), pair, ports });
      }
  return overlaps;
}

describe('how shapes lie over one another', () => {
  it('tells a stroke that passes over a stroke from one that ends upon it, pokes out of it, or runs along it', () => {
    expect(kinds(bar(-100, -10, 200, 20), bar(-10, -100, 20, 200))).toEqual(['cross']);
    expect(kinds(bar(-100, -10, 200, 20), bar(-10, -5, 20, 100))).toEqual(['end']);
    expect(kinds(bar(-100, -10, 200, 20), bar(-10, -16, 20, 116))).toEqual(['poke']);
    expect(kinds(bar(-100, -10, 200, 20), bar(-100, -5, 200, 20))[0]).not.toBe('cross');
    expect(kinds(bar(-100, -10, 80, 20), bar(20, -10, 80, 20))).toEqual([]);
  });

  it('finds the same overlaps and ports as flooding cell by cell, for 20 seeded heaps of two to four shapes', () => {
    const next = random(17);
    for (let round = 0; round < 20; round++) {
      const place = () => next() * 200 - 100;
      const shapes = Array.from({ length: 2 + (round % 3) }, (_, at) =>
        (round + at) % 2 ? ring(place(), place()) : bar(place(), place(), 20 + next() * 160, 14 + next() * 60),
      );
      const layers = cells(...shapes);
      const found = overlaid(layers, 2).overlaps.map(({ cells: count, x, y, pair, ports }) => ({ count, x, y, pair, ports }));
      expect(found.map(plain).sort(), `heap ${round}`).toEqual(flooded(layers).map(plain).sort());
    }
  });

  it('finds two crossings of two rings, and that they take turns', () => {
    const overlay = overlaid(cells(ring(0, 0), ring(110, 0)), 2);
    expect(overlay.overlaps.map(({ kind }) => kind)).toEqual(['cross', 'cross']);
    const { over, brokenHard, strands } = alternated(overlay.overlaps);
    expect(over[0]).not.toBe(over[1]);
    expect(brokenHard).toBe(0);
    expect(strands).toBe(4);
  });

  it('is broken no more often than the best of all assignments, tried one by one', () => {
    const next = random(5);
    for (let round = 0; round < 12; round++) {
      const shapes = Array.from({ length: 3 }, () => ring(next() * 160, next() * 160));
      const { overlaps } = overlaid(cells(...shapes), 2);
      const turning = overlaps.filter(({ kind }) => kind !== 'end');
      if (turning.length > 10) continue;
      const found = alternated(overlaps);
      // Strands told anew here, by the pieces that two overlaps share.
      const pieces = new Map<number, { readonly overlap: number; readonly shape: number }[]>();
      overlaps.forEach((overlap, index) =>
        overlap.ports.forEach((ports, side) =>
          ports.forEach(({ piece }) => {
            if (overlap.kind !== 'end')
              pieces.set(piece, [...(pieces.get(piece) ?? []), { overlap: index, shape: overlap.pair[side] as number }]);
          }),
        ),
      );
      const strands = [...pieces.values()].filter((ends) => ends.length === 2 && ends[0]?.overlap !== ends[1]?.overlap);
      const isOver = (assignment: readonly number[], { overlap, shape }: { readonly overlap: number; readonly shape: number }) =>
        overlaps[overlap]?.pair[assignment[overlap] as number] === shape;
      const brokenIn = (assignment: readonly number[]) =>
        strands.filter(([one, other]) => one && other && isOver(assignment, one) === isOver(assignment, other)).length;
      let least = Infinity;
      for (let bits = 0; bits < 1 << overlaps.length; bits++)
        least = Math.min(least, brokenIn(overlaps.map((_, index) => (bits >> index) & 1)));
      expect(brokenIn(found.over)).toBe(least);
      expect(found.brokenHard).toBe(least);
    }
  });

  it('keeps a hairline whole that is thinner than a cell', () => {
    for (const [x, y] of [
      [0, 0.3],
      [0.7, 1.1],
      [0.2, 0.9],
    ] as const) {
      const layer = layerOf(
        {
          path: polygonPath([
            { x, y },
            { x: x + 80, y },
            { x: x + 80, y: y + 0.5 },
            { x, y: y + 0.5 },
          ]),
          rule: 'nonzero',
        },
        1,
        3,
      ) as Layer;
      const columns = new Set<number>();
      layer.mask.forEach((ink, at) => ink && columns.add(at % layer.columns));
      expect(columns.size).toBeGreaterThanOrEqual(79);
    }
  });
});

describe('woven shapes', () => {
  it('never touch, keep their gap, and lose no more than the gaps', () => {
    const shapes = [ring(0, 0), ring(110, 0), ring(55, 95)];
    const { areas, crossings } = weave(shapes, { gap: 6, first: true }, paths);
    expect(crossings.length).toBe(6);
    const grownBy = (region: Region, by: number) => paths.grow(region, by, 'round');
    for (const [one, other] of [
      [0, 1],
      [0, 2],
      [1, 2],
    ] as const)
      expect(
        areaOfRegion(paths.combine('intersect', grownBy(areas[one] as Region, 2.4), grownBy(areas[other] as Region, 2.4))),
      ).toBeLessThan(1);
    areas.forEach((area, index) => expect(areaOfRegion(area)).toBeGreaterThan(0.75 * areaOfRegion(shapes[index] as Region)));
  });

  it('exchange over and under at one crossing alone', () => {
    const shapes = [ring(0, 0), ring(110, 0)];
    const before = weave(shapes, { gap: 6, first: true }, paths);
    const after = weave(shapes, { gap: 6, first: true, switched: [1] }, paths);
    expect(after.crossings.map(({ over }) => over)).toEqual([before.crossings[0]?.over, 1 - (before.crossings[1]?.over ?? 0)]);
    const other = weave(shapes, { gap: 6, first: false }, paths);
    expect(other.crossings.map(({ over }) => over)).toEqual(before.crossings.map(({ over }) => 1 - over));
  });

  it('come as they are where they do not meet, and whole where one lies upon another', () => {
    const apart = weave([bar(0, 0, 10, 10), bar(100, 0, 10, 10)], { gap: 3, first: true }, paths);
    expect(apart.crossings).toEqual([]);
    expect(areaOfRegion(apart.areas[0] as Region)).toBeCloseTo(100, 3);
    const twice = weave([bar(0, 0, 50, 50), bar(0, 0, 50, 50)], { gap: 3, first: true }, paths);
    expect(twice.areas).toHaveLength(2);
  });
});

describe('two letters', () => {
  const upright = { area: bar(0, -1, 0.14, 1), capHeight: 1 };
  const level = { area: bar(0, -0.57, 1, 0.14), capHeight: 1 };
  it('that are a stem and a bar cross, and the white is a share of the stem within its limits', () => {
    const [best] = interlocks([upright, level]);
    expect(best?.crossings).toBe(1);
    expect(best?.gap).toBeGreaterThanOrEqual(0.022);
    expect(best?.gap).toBeLessThanOrEqual(0.042);
  });
  it('that are alike still come in some way, and empty ones in none', () => {
    expect(interlocks([upright, upright]).length).toBeGreaterThan(0);
    expect(interlocks([upright, { area: { path: { verbs: '', coords: [] }, rule: 'nonzero' }, capHeight: 1 }])).toEqual([]);
  });
});

describe('three letters', () => {
  const round = { area: ring(0, -100), capHeight: 200 };
  const upright = { area: bar(0, -1, 0.14, 1), capHeight: 1 };

  it('that are rings become links of a chain: two crossings a side, taking turns, even about the middle one', () => {
    const [best] = interlocksOfThree([round, round, round]);
    expect(best).toMatchObject({ crossings: 4, clean: true });
    expect(best?.score).toBeGreaterThan(0.5);
    const [one, middle, last] = best?.places ?? [];
    expect(middle).toEqual({ x: 0, y: 0 });
    expect((one?.x ?? 0) + (last?.x ?? 0)).toBeCloseTo(0, 1);
    // Outer ones on the center line: smaller ones stand higher by half of what they lack.
    expect(one?.y).toBeCloseTo(-(1 - (best?.sizes[0] ?? 0)) / 2, 9);
    expect(best?.width).toBeLessThan(0.95);
  });

  it('of which the outer ones would meet keep apart by the gap, in every way that is proposed', () => {
    for (const letters of [
      [round, round, round],
      [round, upright, round],
      [upright, round, upright],
    ] as const)
      for (const { sizes, places, gap } of interlocksOfThree([...letters])) {
        const standing = letters.map(({ area, capHeight }, at) => {
          const [size, place] = [(sizes[at] ?? 1) / capHeight, places[at] ?? { x: 0, y: 0 }];
          const coords = area.path.coords.map((value, index) => value * size + (index % 2 === 0 ? place.x : place.y));
          return { path: { verbs: area.path.verbs, coords }, rule: area.rule } as Region;
        });
        const [one, , last] = standing as [Region, Region, Region];
        expect(areaOfRegion(paths.combine('intersect', one, last))).toBeLessThan(1e-6);
        expect(gap).toBeGreaterThanOrEqual(0.022);
      }
  });

  it('come in no way where one of them is empty', () => {
    expect(interlocksOfThree([round, { area: { path: { verbs: '', coords: [] }, rule: 'nonzero' }, capHeight: 1 }, round])).toEqual([]);
  });
});
