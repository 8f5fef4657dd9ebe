import { areaPathsD, FillRule, unionD } from 'clipper2-ts';
import { describe, expect, it } from 'vitest';
import {
  boundsOf,
  contoursOf,
  dress,
  expect as valueOf,
  STARTING_PALETTE,
  type Recipe,
  EMPTY_RECIPE,
  flatten,
  GROWTH_NAMES,
  parseRecipe,
  repainted,
  paintKey,
  RUNS,
  SIDES,
  type FreeCurve,
  type GrowthName,
  withGrowth,
  type Path,
} from '$core/index';
import { grownAlong, type Garland, type Walk } from '../../../src/core/ornaments';
import { copied, pasted } from '../../../src/lib/marks/table/clipboard';
import { drawnOn, fillsOf, partNamed, partOf } from '../../support/drawn-mark';
import { shelfOf } from '../../support/fonts';
import { random } from '../../support/random';
import { resolverOf } from '../../support/resolver';

/** Closed forms of a walk: a level line and a circle begun at its foot. */
const level = (length: number): Walk => ({ length, at: (along) => ({ x: along - length / 2, y: 0, cos: 1, sin: 0 }) });
const circle = (radius: number): Walk => ({
  length: 2 * Math.PI * radius,
  at: (along) => {
    const turn = Math.PI / 2 + along / radius;
    return { x: radius * Math.cos(turn), y: radius * Math.sin(turn), cos: -Math.sin(turn), sin: Math.cos(turn) };
  },
});
const plain: Garland = {
  ...{ kind: 'fern', everyPx: 20, lengthPx: 30, openDeg: 40, fallPercent: 30, unevenPercent: 0 },
  ...{ sides: 'both', runs: 'along', gapPx: 0, seed: 1 },
};
const pieces = ({ leaves, blooms }: { leaves: Path; blooms: Path }) => [...contoursOf(leaves), ...contoursOf(blooms)];
const boxes = (paths: readonly Path[]) => paths.map((path) => boundsOf(path) ?? { left: NaN, right: NaN, top: NaN, bottom: NaN });

describe('a branch along a curve', () => {
  it('bears pairs at even distances and a last leaf at its end (closed forms on a level line)', () => {
    const { leaves } = grownAlong(level(400), false, 4, { ...plain, openDeg: 90, fallPercent: 0 });
    const found = boxes(contoursOf(leaves));
    expect(found.length).toBe(2 * 20 + 1);
    // Leaves at right angles to the stem stand with their middle over their foot.
    const feet = found.slice(0, -1).map(({ left, right }) => (left + right) / 2);
    const right = feet.filter((_, index) => index % 2 === 0);
    const steps = right.slice(1).map((x, index) => x - (right[index] as number));
    expect(Math.max(...steps) - Math.min(...steps)).toBeLessThan(1e-9);
    for (const { top, bottom } of found.slice(0, -1)) expect(bottom - top).toBeCloseTo(30, 6);
    expect(found.at(-1)?.left).toBeCloseTo(200, 9);
  });

  it('on a ring it is the same all around, without beginning or tip', () => {
    const { leaves, stem } = grownAlong(circle(100), true, 4, { ...plain, fallPercent: 60 });
    const found = contoursOf(leaves);
    expect(found.length).toBe(2 * Math.round((200 * Math.PI) / 20));
    const far = found.map(({ coords }) =>
      Math.max(...Array.from({ length: coords.length / 2 }, (_, n) => Math.hypot(coords[2 * n] as number, coords[2 * n + 1] as number))),
    );
    const outer = far.filter((reach) => reach > 110);
    expect(outer.length).toBe(found.length / 2);
    expect(Math.max(...outer) - Math.min(...outer)).toBeLessThan(1e-6);
    // An even stem: 2πr times its weight.
    const area = Math.abs(
      areaPathsD(
        unionD(
          flatten(stem, 0.001).map((line) => [...line]),
          [],
          FillRule.NonZero,
          6,
        ),
      ),
    );
    expect(area).toBeCloseTo(2 * Math.PI * 100 * 4, -1);
  });

  it.each(RUNS.filter((runs) => runs !== 'along'))('%s, one half is the other’s mirror image, for everything that grows', (runs) => {
    for (const kind of GROWTH_NAMES)
      for (const sides of SIDES) {
        const grown = grownAlong(level(500), false, 5, { ...plain, kind, runs, sides, gapPx: 30, unevenPercent: 40, seed: 7 });
        const all = boxes([...pieces(grown), ...contoursOf(grown.stem)]);
        for (const { left, right, top, bottom } of all)
          expect(
            all.some(
              (other) =>
                Math.abs(other.left + right) < 1e-6 &&
                Math.abs(other.right + left) < 1e-6 &&
                Math.abs(other.top - top) < 1e-6 &&
                Math.abs(other.bottom - bottom) < 1e-6,
            ),
            `${kind} ${sides}`,
          ).toBe(true);
        // What is kept clear in the middle is clear of stems, and of what grows toward it.
        if (runs === 'inward')
          for (const { left, right } of all) expect(left > 14.9 || right < -14.9, `${kind} ${left} ${right}`).toBe(true);
      }
  });

  it('bears on the sides that are asked for', () => {
    const sideOf = (sides: Garland['sides']) =>
      boxes(contoursOf(grownAlong(level(400), false, 0, { ...plain, sides }).leaves))
        .slice(0, -1)
        .map(({ top, bottom }) => (top + bottom < 0 ? 'left' : 'right'));
    expect(new Set(sideOf('left'))).toEqual(new Set(['left']));
    expect(new Set(sideOf('right'))).toEqual(new Set(['right']));
    expect(sideOf('in turn').slice(0, 4)).toEqual(['left', 'right', 'left', 'right']);
    expect(sideOf('both').length).toBe(2 * sideOf('in turn').length);
  });

  // Held against clipper2: an outline that crosses itself covers another area than its own winding says.
  it.each(GROWTH_NAMES)('no piece of %s crosses itself, and each has few points', (kind) => {
    const grown = grownAlong(circle(150), false, 4, { ...plain, kind, unevenPercent: 60, seed: 3 });
    for (const piece of pieces(grown)) {
      const lines = flatten(piece, 0.002).map((line) => [...line]);
      const own = Math.abs(areaPathsD(lines));
      const covered = Math.abs(areaPathsD(unionD(lines, [], FillRule.NonZero, 6)));
      expect(Math.abs(own - covered)).toBeLessThan(own * 2e-3 + 1e-3);
      expect(piece.verbs.length).toBeLessThan(40);
    }
  });

  it('the same seed is the same branch, another one another', () => {
    const grown = (seed: number) => grownAlong(circle(150), false, 4, { ...plain, kind: 'peony', unevenPercent: 50, seed });
    expect(grown(4)).toEqual(grown(4));
    expect(grown(4)).not.toEqual(grown(5));
  });
});

const shelf = await shelfOf('jost');
const draw = drawnOn(shelf);
const inkOf = (recipe: Recipe) => resolverOf(shelf).resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') }).ink;
const bow = [
  { x: -150, y: 0, outX: 40, outY: 60 },
  { x: 150, y: 0, inX: -40, inY: 60 },
];
const garland = (kind: GrowthName, more: object = {}) => ({
  ...{ kind: 'curve' as const, id: 'branch', points: bow, weightPx: 4 },
  growth: { kind, ...more },
});

describe('a curve that something grows along', () => {
  it('is a stem, leaves and flowers in colors of their own, and one ink in one color', () => {
    const mark = draw(garland('rose', { bloomPaint: { role: 'ink' } }));
    const colors = fillsOf(mark, 'branch').map(({ color }) => JSON.stringify(color));
    expect(fillsOf(mark, 'branch').length).toBe(3);
    expect(new Set(colors).size).toBe(2);
    expect(partNamed(mark, 'branch').notices).toEqual([]);
    const recipe = { ...EMPTY_RECIPE, parts: [partOf(garland('rose'))] };
    const recolored = repainted(recipe, new Map([[paintKey({ role: 'accent' }), { role: 'ink' }]]));
    expect(JSON.stringify(recolored.parts)).toContain('"bloomPaint":{"role":"ink"}');
  });

  it('takes sizes that suit its length, and those of another kind after it until a hand has changed them', () => {
    const bare = partOf({ ...garland('oak'), growth: null, weightPx: 30, closed: true }) as FreeCurve;
    const oak = { ...bare, ...withGrowth(bare, 'oak') };
    expect([oak.filled, oak.weightPx < 12, oak.growth?.everyPx]).toEqual([false, true, expect.any(Number)]);
    const fern = { ...oak, ...withGrowth(oak, 'fern') };
    expect(fern.growth?.everyPx).toBeLessThan((oak.growth?.everyPx ?? 0) / 2);
    const both = { ...fern, ...withGrowth(fern, 'fern', 'inward') };
    expect(both.growth?.everyPx).toBeCloseTo((fern.growth?.everyPx ?? 0) / 2, 0);
    const byHand = { ...both, growth: { ...both.growth, everyPx: 77 } } as FreeCurve;
    expect(withGrowth(byHand, 'rose').growth).toMatchObject({ kind: 'rose', runs: 'inward', everyPx: 77 });
  });

  it('is a plain stroke again without it; one that was stored before anything grew has none', () => {
    const { growth: _, ...before } = garland('oak');
    const read = parseRecipe({ version: EMPTY_RECIPE.version, parts: [before] });
    expect(read.ok && read.value.parts[0]).toMatchObject({ kind: 'curve', growth: null });
    expect(fillsOf(draw(before), 'branch').length).toBe(1);
  });

  it('goes into another brand with its flowers, inside of a small mirrored group, and grows there as it did here', () => {
    const group = { kind: 'group' as const, id: 'g', members: ['branch'], place: { x: 9, y: 4, turnDeg: 30, scale: 0.2, flip: true } };
    const recipe = { ...EMPTY_RECIPE, parts: [partOf(garland('olive', { bloomPaint: { hex: '#8a3324' } })), partOf(group)] };
    const from = { brand: 'here', mark: 'm', palette: STARTING_PALETTE, sources: new Map() };
    const there =
      valueOf(pasted(EMPTY_RECIPE, copied(recipe, ['g'], from), { ...from, brand: 'there', mark: 'n' }))?.recipe ?? EMPTY_RECIPE;
    expect(there.parts.find(({ kind }) => kind === 'curve')).toMatchObject({ growth: { kind: 'olive', bloomPaint: { hex: '#8a3324' } } });
    const [here, away] = [recipe, there].map((each) => inkOf(each));
    expect(here?.right).toBeGreaterThan((here?.left ?? 0) + 40);
    expect((away?.right ?? 0) - (away?.left ?? 0)).toBeCloseTo((here?.right ?? 0) - (here?.left ?? 0), 6);
    expect((away?.bottom ?? 0) - (away?.top ?? 0)).toBeCloseTo((here?.bottom ?? 0) - (here?.top ?? 0), 6);
  });

  it('of one point, of points that all are one, and of random numbers draws without harm', () => {
    expect(fillsOf(draw({ ...garland('oak'), points: [{ x: 0, y: 0 }] }), 'branch')).toEqual([]);
    expect(() =>
      draw({
        ...garland('oak'),
        points: [
          { x: 0, y: 0 },
          { x: 0, y: 0 },
        ],
      }),
    ).not.toThrow();
    const next = random(12);
    for (let n = 0; n < 60; n++) {
      const kind = GROWTH_NAMES[Math.floor(next() * GROWTH_NAMES.length)] as GrowthName;
      const part = garland(kind, {
        everyPx: 1 + next() * 200,
        lengthPx: 0.5 + next() * 300,
        openDeg: next() * 150,
        fallPercent: next() * 95,
        unevenPercent: next() * 100,
        sides: SIDES[Math.floor(next() * 4)],
        runs: RUNS[Math.floor(next() * 3)],
        gapPx: next() * 500,
        seed: 1 + Math.floor(next() * 9998),
      });
      for (const { path } of fillsOf(draw({ ...part, closed: next() > 0.5 }), 'branch'))
        expect(path.coords.every(Number.isFinite)).toBe(true);
    }
  });
});
