import { describe, expect, it } from 'vitest';
import { createPart, EMPTY_RECIPE, expect as valueOf, familyGraph, fitIn, longerIn, type Recipe } from '$core/index';

const id = (n: number) => `${n}1111111-1111-4111-8111-111111111111`;
const following = (...marks: readonly number[]): Recipe => ({
  ...EMPTY_RECIPE,
  parts: marks.map((n, at) => valueOf(createPart({ kind: 'linked', id: `l${at}`, from: { mark: id(n), part: 'name' } }))),
});

describe('what derives from what', () => {
  it('counts the steps from a mark that follows nobody, and names both ends of every link', () => {
    const graph = familyGraph([
      { id: id(1), recipe: following() },
      { id: id(2), recipe: following(1) },
      { id: id(3), recipe: following(2, 1) },
      { id: id(4), recipe: following(9) },
    ]);
    expect(graph.map(({ depth }) => depth)).toEqual([0, 1, 2, 0]);
    expect(graph[0]?.followers).toEqual([id(2), id(3)]);
    expect(graph[2]?.follows).toEqual([id(2), id(1)]);
    expect(graph.some(({ circular }) => circular)).toBe(false);
  });

  it('ends for marks that follow each other, and says so', () => {
    const graph = familyGraph([
      { id: id(1), recipe: following(2) },
      { id: id(2), recipe: following(1) },
      { id: id(3), recipe: following(3) },
    ]);
    expect(graph.map(({ circular }) => circular)).toEqual([true, true, false]);
  });
});

describe('how a mark fits a place', () => {
  const box = (wide: number, high: number) => ({ left: 0, top: 0, right: wide, bottom: high });
  it('a wide mark suits a wide place, a square one a square place, a round one a round place best', () => {
    expect(fitIn('wide', box(320, 96), 40, false)).toBeCloseTo(1, 5);
    expect(fitIn('square', box(10, 10), 12, false)).toBeCloseTo(1, 5);
    expect(fitIn('wide', box(10, 10), 12, false)).toBeLessThan(0.6);
    expect(fitIn('round', box(10, 10), 12, true)).toBeGreaterThan(fitIn('round', box(10, 10), 12, false));
  });
  it('a mark that must be larger than the place allows suits it worse, the more so the larger', () => {
    expect(longerIn('tiny', box(10, 5))).toBe(32);
    expect(fitIn('tiny', box(10, 10), 64, false)).toBeCloseTo(0.25, 5);
    expect(fitIn('tiny', box(10, 10), 320, false)).toBeLessThan(0.02);
    expect(fitIn('tiny', box(0, 10), 12, false)).toBe(0);
  });
});
