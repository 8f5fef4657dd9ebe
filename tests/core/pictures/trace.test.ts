import { areaPathsD, differenceD, FillRule, unionD, type PathsD } from 'clipper2-ts';
import { describe, expect, it } from 'vitest';
import { flatten, readPath, type Path } from '$core/index';
import { traceAreas, traceGray } from '$core/pictures';
import { likeness, nodesOf, pixelsOf } from '../../support/traced';
import { areaOf } from '../../support/drawn-mark';
import { random } from '../../support/random';
import fc from '../../support/properties';

const SIDE = 240;
const CLOSE = { withinPx: 0.45 };
const outline = (data: string): Path => readPath(data) as Path;
const traced = (data: string, rule: 'nonzero' | 'evenodd' = 'evenodd'): { readonly path: Path; readonly known: Path } => {
  const known = outline(data);
  const gray = pixelsOf({ name: '', region: { path: known, rule } }, SIDE).map((cover) => 1 - cover);
  return { path: traceGray(gray, SIDE, SIDE, 0.5, CLOSE), known };
};
const circleData = (x: number, y: number, r: number): string => {
  const k = r * 0.5522847498;
  return `M${x + r} ${y}C${x + r} ${y + k} ${x + k} ${y + r} ${x} ${y + r}C${x - k} ${y + r} ${x - r} ${y + k} ${x - r} ${y}C${x - r} ${y - k} ${x - k} ${y - r} ${x} ${y - r}C${x + k} ${y - r} ${x + r} ${y - k} ${x + r} ${y}Z`;
};
const polygonsOf = (path: Path): PathsD =>
  unionD(
    flatten(path, 0.01).map((polygon) => polygon.map(({ x, y }) => ({ x, y }))),
    [],
    FillRule.EvenOdd,
    4,
  );

describe('a traced outline', () => {
  it('keeps straight lines straight, upright and level, and corners where they were', () => {
    const { path } = traced('M40 30L200 30L200 180L40 180Z');
    expect([...path.verbs].sort().join('')).toBe('LLLMZ');
    const numbers = path.coords.map((value) => Math.round(value * 10) / 10).sort((one, other) => one - other);
    expect(numbers).toEqual([30, 30, 40, 40, 180, 180, 200, 200]);
    // Level exactly, not nearly.
    expect(new Set(path.coords).size).toBe(4);
  });
  it('is a circle where the picture shows one: four equal arcs, within a twentieth of a pixel', () => {
    const { path } = traced(circleData(120, 118, 83.3));
    expect(path.verbs).toBe('MCCCCZ');
    const [x = 0, y = 0] = [path.coords[0], path.coords[1]];
    expect(Math.abs(Math.hypot(x - 120, y - 118) - 83.3)).toBeLessThan(0.05);
  });
  it('takes a rounded rectangle for four lines and four arcs', () => {
    const r = 22;
    const k = r * (1 - 0.5522847498);
    const { path, known } = traced(
      `M${40 + r} 50L${200 - r} 50C${200 - k} 50 200 ${50 + k} 200 ${50 + r}L200 ${190 - r}C200 ${190 - k} ${200 - k} 190 ${200 - r} 190L${40 + r} 190C${40 + k} 190 40 ${190 - k} 40 ${190 - r}L40 ${50 + r}C40 ${50 + k} ${40 + k} 50 ${40 + r} 50Z`,
    );
    expect(nodesOf(path)).toBeLessThanOrEqual(nodesOf(known));
    expect(likeness({ path, rule: 'evenodd' }, { path: known, rule: 'evenodd' }).deviationPx).toBeLessThan(0.5);
  });
  it('of a shape with one corner does not collapse: a drop, a heart', () => {
    for (const data of [
      'M120 30C150 90 180 120 180 155C180 190 155 210 120 210C85 210 60 190 60 155C60 120 90 90 120 30Z',
      'M120 210C60 165 35 130 35 90C35 60 55 40 82 40C100 40 112 50 120 66C128 50 140 40 158 40C185 40 205 60 205 90C205 130 180 165 120 210Z',
    ]) {
      const { path, known } = traced(data);
      const like = likeness({ path, rule: 'evenodd' }, { path: known, rule: 'evenodd' });
      expect(like.iou).toBeGreaterThan(0.995);
      expect(like.deviationPx).toBeLessThan(1.2);
      expect(nodesOf(path)).toBeLessThanOrEqual(10);
    }
  });
  it('of a sliver is no giant circle', () => {
    const { path, known } = traced('M20 120L220 117L220 123Z');
    expect(areaOf([{ path, rule: 'evenodd' }]) / areaOf([{ path: known, rule: 'evenodd' }])).toBeGreaterThan(0.8);
    expect(path.coords.every((value) => value > 0 && value < SIDE)).toBe(true);
  });
  it('has rings within rings', () => {
    const { path, known } = traced(`${circleData(120, 120, 90)}${circleData(120, 120, 60)}${circleData(120, 120, 30)}`);
    expect(path.verbs).toBe('MCCCCZ'.repeat(3));
    expect(likeness({ path, rule: 'evenodd' }, { path: known, rule: 'evenodd' }).iou).toBeGreaterThan(0.998);
  });
  it('of nothing is nothing, of all is the frame, of noise ends and stays within it', () => {
    expect(traceGray(new Float32Array(100).fill(1), 10, 10, 0.5, CLOSE).verbs).toBe('');
    expect(areaOf([{ path: traceGray(new Float32Array(100).fill(0), 10, 10, 0.5, CLOSE), rule: 'evenodd' }])).toBeCloseTo(100, 6);
    const next = random(3);
    const noise = Float32Array.from({ length: 120 * 120 }, () => next());
    const { coords } = traceGray(noise, 120, 120, 0.5, CLOSE);
    expect(coords.length).toBeGreaterThan(1000);
    expect(coords.every((value) => value >= -2 && value <= 122)).toBe(true);
  });
  it('of 10,000 specks has them all', () => {
    const side = 400;
    const gray = new Float32Array(side * side).fill(1);
    for (let y = 2; y < side; y += 4) for (let x = 2; x < side; x += 4) gray[y * side + x] = 0;
    const { verbs } = traceGray(gray, side, side, 0.5, CLOSE);
    expect([...verbs].filter((verb) => verb === 'M')).toHaveLength(10_000);
  });
});

describe('areas that touch', () => {
  it('share their borders: sizes sum to the picture, nothing is covered twice or not at all, for seeded maps of up to six areas', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1_000_000 }), fc.integer({ min: 2, max: 6 }), (seed, count) => {
        const next = random(seed);
        const [columns, rows] = [30 + Math.floor(next() * 40), 30 + Math.floor(next() * 40)];
        const seeds = Array.from({ length: 3 + Math.floor(next() * 9) }, () => ({
          ...{ x: next() * columns, y: next() * rows },
          area: Math.floor(next() * count),
        }));
        const areas = new Int16Array(columns * rows);
        for (let y = 0; y < rows; y++)
          for (let x = 0; x < columns; x++) {
            const nearest = seeds.reduce((best, each) =>
              Math.hypot(each.x - x, each.y - y) < Math.hypot(best.x - x, best.y - y) ? each : best,
            );
            areas[y * columns + x] = nearest.area;
          }
        const paths = traceAreas({ columns, rows, areas, crossing: () => 0.5 }, { withinPx: 0.6 });
        const faces = [...paths.values()].map(polygonsOf);
        const sum = faces.reduce((total, face) => total + Math.abs(areaPathsD(face)), 0);
        const all = unionD(faces.flat(), [], FillRule.NonZero, 4);
        const frame: PathsD = [
          [
            { x: 0, y: 0 },
            { x: columns, y: 0 },
            { x: columns, y: rows },
            { x: 0, y: rows },
          ],
        ];
        const open = Math.abs(areaPathsD(differenceD(frame, all, FillRule.NonZero, 4)));
        expect(Math.abs(sum / (columns * rows) - 1)).toBeLessThan(1e-4);
        expect(open / (columns * rows)).toBeLessThan(1e-4);
      }),
      { numRuns: 60, seed: 20, endOnFailure: true },
    );
  });
  it('write every shared place alike, to the last digit', () => {
    const areas = Int16Array.from({ length: 900 }, (_, index) => (index % 30 < 12 ? 0 : Math.floor(index / 30) < 14 ? 1 : 2));
    const paths = traceAreas({ columns: 30, rows: 30, areas, crossing: () => 0.5 }, CLOSE);
    const placesOf = (area: number): Set<string> => {
      const { coords = [] } = paths.get(area) ?? {};
      return new Set(Array.from({ length: coords.length / 2 }, (_, index) => `${coords[index * 2]} ${coords[index * 2 + 1]}`));
    };
    const [a, b, c] = [placesOf(0), placesOf(1), placesOf(2)];
    const meeting = [...a].filter((place) => b.has(place) && c.has(place));
    expect(meeting).toHaveLength(1);
  });
});
