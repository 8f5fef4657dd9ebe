import { beforeAll, describe, expect, it } from 'vitest';
import {
  createDresser,
  createResolver,
  dress,
  STARTING_PALETTE,
  toSvg,
  type DressedMark,
  type OneColorWish,
  type Recipe,
} from '$core/index';
import { areaOfRegion, flattenedAlgebra } from '$core/pathops';
import { partOf } from '../../../support/drawn-mark';
import { shelfOf } from '../../../support/fonts';
import { RANDOM_FACES, randomMark } from '../../../support/random-marks';
import { paths } from '../../../support/resolver';

type PartInput = Parameters<typeof partOf>[0];

let inOneColor: (recipe: Recipe) => DressedMark;
beforeAll(async () => {
  const resolver = createResolver(await shelfOf(...RANDOM_FACES), paths);
  const dresser = createDresser(paths, flattenedAlgebra);
  inOneColor = (recipe) =>
    dresser(
      resolver.resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') }),
      recipe,
      STARTING_PALETTE,
      'one-color',
    );
});
const markOf = (...parts: PartInput[]): DressedMark => inOneColor({ version: 1, parts: parts.map(partOf) });
const disk = (id: string, role: string, size: number, more: object = {}): PartInput =>
  ({ kind: 'shape', id, form: { form: 'disk', widthPx: size, heightPx: size }, paint: { role }, ...more }) as PartInput;
const areaOf = (mark: DressedMark): number => areaOfRegion(mark.oneColor?.area ?? { path: { verbs: '', coords: [] }, rule: 'nonzero' });
const statesOf = (mark: DressedMark) => Object.fromEntries((mark.oneColor?.parts ?? []).map(({ part, states }) => [part, states.join()]));
const circle = (size: number) => (Math.PI * size * size) / 4;

describe('a mark in one color', () => {
  it('has a true hole where something must read light (area of a ring, closed form)', () => {
    const mark = markOf(disk('ground', 'ink', 400), disk('light', 'paper', 200));
    expect(statesOf(mark)).toEqual({ ground: 'ink', light: 'clear' });
    expect(areaOf(mark) / (circle(400) - circle(200))).toBeCloseTo(1, 2);
  });

  it('tells a dark part on a dark ground by an even gap of the stated width (closed form)', () => {
    const mark = markOf(disk('ground', 'lead', 400), disk('front', 'ink', 200));
    const gap = mark.oneColor?.gapPx ?? 0;
    expect(gap).toBeCloseTo(400 * 0.012, 3);
    if (statesOf(mark)['front'] === 'ink') expect(areaOf(mark) / (circle(400) - circle(200 + 2 * gap) + circle(200))).toBeCloseTo(1, 2);
    expect(mark.oneColor?.parts.every(({ told }) => told > 0.9)).toBe(true);
  });

  it.each([
    ['ink', 'ink', circle(400)],
    ['clear', 'clear', circle(400) - circle(200)],
    ['left-out', undefined, circle(400)],
  ] as const)('does what the designer decided: %s', (wish, state, area) => {
    const mark = markOf(
      disk('ground', 'ink', 400),
      disk('front', wish === 'ink' ? 'ink' : 'accent', 200, { oneColor: wish satisfies OneColorWish }),
    );
    expect(statesOf(mark)['front']).toBe(state);
    expect(areaOf(mark) / area).toBeCloseTo(1, 2);
  });

  it('follows what was decided for a group in all its members that say nothing of their own', () => {
    const mark = markOf(
      disk('ground', 'ink', 400),
      disk('one', 'ink', 100, { place: { x: -80, y: 0, turnDeg: 0 } }),
      disk('two', 'ink', 100, { place: { x: 80, y: 0, turnDeg: 0 }, oneColor: 'ink' }),
      { kind: 'group', id: 'pair', members: ['one', 'two'], oneColor: 'clear' } as PartInput,
    );
    expect(statesOf(mark)).toEqual({ ground: 'ink', one: 'clear', two: 'ink' });
  });

  it('may be given a gap or an outline by hand', () => {
    const gap = markOf(disk('ground', 'ink', 400), disk('front', 'ink', 200, { oneColor: 'gap' }));
    const width = gap.oneColor?.gapPx ?? 0;
    expect(areaOf(gap) / (circle(400) - circle(200 + 2 * width) + circle(200))).toBeCloseTo(1, 2);
    const outline = markOf(disk('alone', 'second', 300, { oneColor: 'outline' }));
    const line = outline.oneColor?.gapPx ?? 0;
    expect(areaOf(outline) / (circle(300) - circle(300 - 2 * line))).toBeCloseTo(1, 1);
  });

  it('keeps one outline in all its colorways, and the frame of full color', () => {
    const recipe = randomMark(11);
    const mark = inOneColor(recipe);
    expect(mark.drawing.groups).toHaveLength(1);
    expect(mark.ink).toBeDefined();
  });

  it('leaves out pictures that would be boxes, and says so', () => {
    const picture = {
      kind: 'picture',
      id: 'photo',
      sha256: 'a'.repeat(64),
      fileWidthPx: 300,
      fileHeightPx: 200,
      source: { title: 'Photo' },
    } as PartInput;
    const mark = markOf(disk('ground', 'ink', 100), picture);
    expect(mark.oneColor?.notices.map(({ code }) => code)).toEqual(['picture-in-one-color']);
    expect(areaOf(mark) / circle(100)).toBeCloseTo(1, 2);
  });

  it('of nothing, or of one faint part, is nothing', () => {
    expect(markOf().drawing.groups).toEqual([]);
    expect(markOf(disk('faint', 'ink', 100, { opacity: 0.05 })).drawing.groups).toEqual([]);
  });
});

describe('random marks in one color', () => {
  // The bars of the measured rule; the figures of 300 marks stand in docs/deep-checks.md.
  const count = process.env['DEEP'] === '1' ? 300 : 40;
  it(`are one paint, and nothing in them vanishes unsaid (${count} seeded marks)`, () => {
    let [parts, told, swapped, mostly] = [0, 0, 0, 0];
    for (let seed = 1; seed <= count; seed++) {
      const mark = inOneColor(randomMark(seed));
      const one = mark.oneColor;
      if (!one || !mark.ink) continue;
      const svg = toSvg(mark.drawing, { title: 'one', box: mark.ink });
      expect(new Set(svg.match(/(fill|stroke|stop-color)="#[0-9a-f]{6}"/g)).size, `seed ${seed}`).toBeLessThanOrEqual(1);
      const looked = one.parts.filter(({ shareOfInk }) => shareOfInk >= 0.01);
      parts += looked.length;
      told += looked.filter((part) => part.told >= 0.6).length;
      swapped += one.swapped;
      if (one.swapped > 0.5) mostly++;
      for (const part of looked.filter((each) => each.told < 0.6))
        expect(
          one.notices.some(({ message }) => message.includes(`“${part.part}”`)),
          `seed ${seed} ${part.part}`,
        ).toBe(true);
    }
    expect(parts).toBeGreaterThan(3 * count);
    expect(told / parts).toBeGreaterThanOrEqual(0.99);
    expect(swapped / count).toBeLessThanOrEqual(0.15);
    expect(mostly / count).toBeLessThanOrEqual(0.1);
  }, 900_000);
});
