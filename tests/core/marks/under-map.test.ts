import { describe, expect, it } from 'vitest';
import {
  about,
  changePart,
  compose,
  createPart,
  expect as valueOf,
  isKnown,
  pulledInPlace,
  rotation,
  scaling,
  standsBy,
  translation,
  underMap,
  type Affine,
  type Bounds,
  type KnownInput,
} from '$core/index';
import { casesOf } from '../../support/deep';
import { drawnOn, partNamed } from '../../support/drawn-mark';
import { nestedRecipe } from '../../support/nested-recipes';
import { random } from '../../support/random';
import { shelfOf } from '../../support/fonts';

const draw = drawnOn(await shelfOf('jost'));
const COUNT = casesOf({ inFull: 1000, sample: 40 });
const near = (one: Affine, other: Affine, within: number) => {
  for (const key of ['a', 'b', 'c', 'd', 'e', 'f'] as const) expect(Math.abs(one[key] - other[key])).toBeLessThan(within);
};

describe('a part under a map of the mark’s plane', () => {
  it(`stands exactly where the map takes it, in groups scaled, turned and mirrored 4 deep (${COUNT} random recipes)`, () => {
    let checked = 0;
    for (let seed = 1; seed <= COUNT; seed++) {
      const next = random(seed * 7919);
      const recipe = nestedRecipe(seed);
      const known = recipe.parts.filter(isKnown);
      const part = known[Math.floor(next() * known.length)];
      // What a lockup lays out stands where the lockup puts it, which goes by the sizes of its members.
      const laidOut = (id: string): boolean =>
        known.some((each) => 'members' in each && each.members.includes(id) && (each.kind === 'lockup' || laidOut(each.id)));
      if (!part || laidOut(part.id) || part.kind === 'band' || standsBy(part).length > 0) continue;
      const before = draw(...(recipe.parts as readonly KnownInput[])).parts.find(({ id }) => id === part.id);
      if (!before) continue;
      const by = 0.3 + next() * 3;
      const turned = compose(rotation(next() * 360), scaling(next() < 0.3 ? -by : by, by));
      const whole = compose(translation(next() * 300 - 150, next() * 300 - 150), turned);
      const mapped = underMap(part, before, whole);
      const after = draw(...(changePart(recipe, part.id, mapped).parts as readonly KnownInput[])).parts.find(({ id }) => id === part.id);
      if (!after) continue;
      // A plain lettering says in its size what others say in their scale.
      const grown = part.kind === 'lettering' && mapped.kind === 'lettering' ? mapped.sizePx / part.sizePx : 1;
      near(compose(after.transform, scaling(grown)), compose(whole, before.transform), 1e-6);
      checked++;
    }
    expect(checked).toBeGreaterThan(COUNT / 3);
  });

  const panel = (place: object): KnownInput =>
    ({
      kind: 'shape',
      id: 'panel',
      form: { form: 'panel', widthPx: 100, heightPx: 40, cornerPx: 0 },
      place: { x: 50, y: 20, ...place },
    }) as KnownInput;
  const pulled = (input: KnownInput, at: { x: number; y: number }, byX: number, byY: number): Bounds => {
    const part = valueOf(createPart(input));
    const { ink } = partNamed(draw(pulledInPlace(part, partNamed(draw(input), part.id), at, byX, byY) as KnownInput), part.id);
    if (!ink) throw new Error('no ink');
    return ink;
  };

  it.each([
    [0, 3, 2, { left: 0, right: 300, top: 0, bottom: 80 }],
    [90, 2, 3, { left: 30, right: 110, top: -30, bottom: 270 }],
    [180, 0.5, 1, { left: 0, right: 50, top: 0, bottom: 40 }],
  ])('pulled by one side keeps the other in place, turned by %s° too (by hand)', (turnDeg, byX, byY, wanted) => {
    const corner = turnDeg === 90 ? { x: 30, y: -30 } : { x: 0, y: 0 };
    const ink = pulled(panel({ turnDeg }), corner, byX, byY);
    for (const side of ['left', 'right', 'top', 'bottom'] as const) expect(ink[side]).toBeCloseTo(wanted[side], 6);
  });

  it('askew, or without sides of its own, grows in proportion', () => {
    const ink = pulled(panel({ turnDeg: 30 }), { x: 50, y: 20 }, 2, 1.2);
    const before = partNamed(draw(panel({ turnDeg: 30 })), 'panel').ink;
    expect((ink.right - ink.left) / ((before?.right ?? 0) - (before?.left ?? 0))).toBeCloseTo(2, 6);
    expect((ink.bottom - ink.top) / ((before?.bottom ?? 0) - (before?.top ?? 0))).toBeCloseTo(2, 6);
  });

  it('through nothing is never lost: it stays as small as a part can be, and comes back', () => {
    const part = valueOf(createPart(panel({})));
    const resolved = partNamed(draw(panel({})), 'panel');
    const tiny = underMap(part, resolved, about({ x: 0, y: 0 }, scaling(1e-9)));
    expect(tiny.place.scale).toBe(0.001);
    const back = underMap(tiny, partNamed(draw(tiny as KnownInput), 'panel'), about({ x: 0, y: 0 }, scaling(1000)));
    expect(back.place.scale ?? 1).toBeCloseTo(1, 9);
    expect(Number.isFinite(back.place.x)).toBe(true);
  });
});
