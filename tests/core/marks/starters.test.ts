import { beforeAll, describe, expect, it } from 'vitest';
import {
  createPart,
  expect as valueOf,
  newLettering,
  newShape,
  startersFor,
  withTexts,
  dress,
  initialRecipe,
  nameLettering,
  ringTexts,
  secondLine,
  STARTING_PALETTE,
  type FontShelf,
  type KnownPart,
  RECIPE_VERSION,
} from '$core/index';
import { shelfOf } from '../../support/fonts';
import { resolverOf } from '../../support/resolver';

let shelf: FontShelf;
beforeAll(async () => {
  shelf = await shelfOf('marcellus', 'jost');
});
const inkOf = (...parts: KnownPart[]) =>
  resolverOf(shelf).resolve({ recipe: { version: RECIPE_VERSION, parts }, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });
const inRecipe = (...parts: KnownPart[]) => ({ version: RECIPE_VERSION, parts });
const name = { ...nameLettering('name', 'Windrow'), font: { family: 'jost', style: 'normal' as const, axes: { wght: 620 } } };

describe('what is typed to add something', () => {
  it('is looked for, and may say which texts it begins with', () => {
    expect(withTexts('ring text: Harbor | Since 1987')).toEqual({ asked: 'ring text', texts: ['Harbor', 'Since 1987'] });
    expect(withTexts('text: 10:30 | ')).toEqual({ asked: 'text', texts: ['10:30', ''] });
    expect(withTexts('ring text')).toEqual({ asked: 'ring text', texts: [] });
    expect(withTexts('ring text:  | ')).toEqual({ asked: 'ring text', texts: [] });
    expect(withTexts(': Harbor')).toEqual({ asked: ': Harbor', texts: [] });
  });

  it('begins with those texts, and with its own where one is left out', () => {
    const context = { recipe: inRecipe(name), ink: undefined, brandName: 'Windrow', secondFamily: undefined, chosen: undefined };
    const begun = (id: string, ...texts: string[]) =>
      startersFor(context)
        .find((starter) => starter.id === id)
        ?.make(texts)
        .parts.map((part) => (part.kind === 'lettering' ? part.text : part.kind));
    expect(begun('lettering', 'Harbor 12')).toEqual(['Harbor 12']);
    expect(begun('second-line', 'Kite workshop')).toEqual(['Kite workshop']);
    expect(begun('ring-text', '', 'Since 1987')).toEqual(['Since 1987', 'Windrow']);
    expect(begun('lettering')).toEqual(['Windrow']);
    // What takes no texts says so, and makes what it makes.
    expect(startersFor(context).filter(({ texts }) => texts === undefined).length).toBeGreaterThan(60);
  });
});

describe('a new line of text', () => {
  const disk = newShape('disk', 'disk', { left: -100, right: 100, top: -100, bottom: 100 });
  const placed = (text: string, ...parts: KnownPart[]) => {
    const { ink } = inkOf(...parts);
    const made = newLettering(inRecipe(...parts), text, ink);
    const own = inkOf(made).ink;
    if (!ink || !own) throw new Error('nothing is drawn');
    return { made, ink, own };
  };

  it('stands under all that is there, as large as the largest line, and touches nothing', () => {
    for (const text of ['Harbor', 'gypsy', 'Überfähre', 'A line of more than thirty letters']) {
      const { made, ink, own } = placed(text, name);
      expect(made.sizePx).toBe(name.sizePx);
      expect(own.top).toBeGreaterThan(ink.bottom);
      expect((own.left + own.right) / 2).toBeCloseTo((ink.left + ink.right) / 2, -1.5);
    }
  });

  it('is as large as what is seen, where a line stands in a scaled group', () => {
    for (const scale of [0.1, 10]) {
      const line = { ...name, sizePx: 120 / scale };
      const group = valueOf(createPart({ kind: 'group', id: 'group', members: ['name'], place: { x: 0, y: 0, turnDeg: 0, scale } }));
      const { made, ink, own } = placed('Harbor', line, group);
      expect(made.sizePx).toBeGreaterThan(12);
      expect(made.sizePx).toBeLessThan(250);
      expect(own.top).toBeGreaterThan(ink.bottom);
    }
  });

  it('comes into the middle of a backing that waits for it, and lower where the middle is taken', () => {
    for (const text of ['S', '1987', 'Harbor and Sons']) {
      const { ink, own } = placed(text, disk);
      expect(own.left).toBeGreaterThan(ink.left);
      expect(own.right).toBeLessThan(ink.right);
      expect((own.top + own.bottom) / 2).toBeCloseTo((ink.top + ink.bottom) / 2, -1.5);
      const taken = placed(text, disk, { ...nameLettering('middle', 'MID', 40), place: { x: 0, y: 14, turnDeg: 0 } });
      expect(taken.own.top).toBeGreaterThan(14);
      expect(taken.own.bottom).toBeLessThan(taken.ink.bottom);
    }
  });

  it('alone begins at the middle of the stage', () => {
    expect(newLettering(inRecipe(), 'Harbor', undefined)).toMatchObject({ sizePx: 120, place: { x: 0, y: 0 } });
  });
});

describe('ring texts', () => {
  it('begin at a fifth of the radius, and long ones so small that each runs at most 150° round', () => {
    const begun = (text: string) => ringTexts(['over', 'under'], [text, 'ab'], 'jost', { id: 'disk', radiusPx: 200 }, undefined);
    expect(begun('Short').map(({ sizePx }) => sizePx)).toEqual([40, 40]);
    // 30 letters of 0.85 em over 150° of a circle of 200: 200 · 2.618 ÷ 25.5 = 20.5
    const long = 'a'.repeat(30);
    expect(begun(long)[0].sizePx).toBe(21);
    expect(begun(long)[1].line).toMatchObject({ side: 'under', radiusPx: 215, around: { part: 'disk', insetPx: 19 } });
  });
});

describe('a second line', () => {
  it('stands clear below the name, smaller, lighter, upper case and opened up (common practice)', () => {
    const nameInk = inkOf(name).ink;
    const second = secondLine('second', 'kite workshop', name);
    const ink = inkOf(name, second).parts[1]?.ink;
    expect(ink?.top ?? 0).toBeGreaterThan(nameInk?.bottom ?? Infinity);
    expect(second.sizePx).toBeLessThan(name.sizePx / 2);
    expect(inkOf({ ...name, sizePx: 300 }, second).parts[1]?.lettering?.sizePx).toBeCloseTo(300 * 0.28, 6);
    expect(second.font.axes['wght']).toBe(420);
    expect([second.case, second.trackingPermille > 100, second.companion?.part]).toEqual(['upper', true, 'name']);
    expect(second.paint).toEqual(name.paint);
  });

  it('takes the brand’s face for second lines where one was chosen', () => {
    expect(secondLine('second', 'x', name, 'marcellus').font.family).toBe('marcellus');
    expect(secondLine('second', 'x', name).font.family).toBe('jost');
  });
});

describe('a backing shape', () => {
  it.each(['disk', 'ring', 'panel'] as const)('%s goes around all that is there, on its center', (form) => {
    const { ink } = inkOf(name);
    const shape = newShape('back', form, ink);
    const around = inkOf(shape).ink;
    expect(around && ink && around.left < ink.left && around.right > ink.right && around.top < ink.top && around.bottom > ink.bottom).toBe(
      true,
    );
    expect(Math.abs(shape.place.x - ((ink?.left ?? 0) + (ink?.right ?? 0)) / 2)).toBeLessThanOrEqual(0.5);
  });
  it('has a size of its own on an empty mark', () => expect(inkOf(newShape('back', 'disk', undefined)).ink).toBeDefined());
});

describe('an initial-only mark', () => {
  it('holds nothing but a link to the name', () => {
    const recipe = initialRecipe('a0a0a0a0-0000-4000-8000-000000000001', name);
    expect(recipe.parts).toMatchObject([{ kind: 'linked', take: 'initial', from: { part: 'name' }, paint: null }]);
  });
});
