import { beforeAll, describe, expect, it } from 'vitest';
import {
  CRAFT,
  FAMILY_LAYOUT_NAMES,
  familyLayouts,
  laidOut,
  layoutsOf,
  outlinesIn,
  type Bounds,
  type FamilyLayoutName,
  type FontShelf,
  type ResolvedMark,
} from '$core/index';
import { flatten } from '$core/index';
import { casesOf } from '../../support/deep';
import { familyOf, PALETTE, primaryOf, type PrimaryLook } from '../../support/family';
import { shelfOf } from '../../support/fonts';
import { random } from '../../support/random';

let shelf: FontShelf;
beforeAll(async () => {
  shelf = await shelfOf('jost', 'playfair-display', 'cormorant', 'alfa-slab-one', 'noto-sans', 'noto-sans-hebrew', 'noto-sans-arabic');
});
const draw = (look: PrimaryLook, layout: FamilyLayoutName) => {
  const family = familyOf(primaryOf(look), shelf);
  const laid = laidOut(layout, family.context);
  return laid && { laid, mark: family.draw(laid.recipe), context: family.context };
};
const inkOf = (mark: ResolvedMark | undefined, id: string): Bounds =>
  mark?.parts.find((part) => part.id === id)?.ink ?? { left: 0, right: 0, top: 0, bottom: 0 };
const high = ({ top, bottom }: Bounds) => bottom - top;
const wide = ({ left, right }: Bounds) => right - left;
const apart = (one: Bounds, other: Bounds) =>
  one.right <= other.left + 0.01 || other.right <= one.left + 0.01 || one.bottom <= other.top + 0.01 || other.bottom <= one.top + 0.01;

const FULL: PrimaryLook = { name: 'Harrow & Teal Goods', second: 'Paper and Twine', symbol: true };

describe('the pieces of a primary', () => {
  it('are its name, its second line and its symbol', () => {
    const { context } = familyOf(primaryOf(FULL), shelf);
    expect([context.pieces.name?.text, context.pieces.second?.text, context.pieces.symbol.map(({ id }) => id)]).toEqual([
      'Harrow & Teal Goods',
      'Paper and Twine',
      ['star', 'dot'],
    ]);
  });
});

describe('layouts', () => {
  it('are at least 14 for a primary that has everything, and at least 6 for a bare name of one letter', () => {
    expect(layoutsOf(familyOf(primaryOf(FULL), shelf).context).length).toBeGreaterThanOrEqual(25);
    expect(layoutsOf(familyOf(primaryOf({ name: 'Q' }), shelf).context).length).toBeGreaterThanOrEqual(6);
    expect(layoutsOf(familyOf(primaryOf({ name: ' ' }), shelf).context)).toEqual([]);
  });

  it('of a name that stands in rows go around a ring and into one line as those of the same name in one line do', () => {
    const rows = { ...FULL, name: 'Harrow & Teal\nGoods' };
    const textsOf = (look: PrimaryLook, layout: FamilyLayoutName) => {
      const made = draw(look, layout);
      return made?.mark.parts.flatMap(({ lettering, ink }) => (lettering && ink ? [Math.round(high(ink))] : []));
    };
    for (const layout of ['initial-ringed', 'symbol-ringed', 'one-line', 'two-lines', 'three-lines'] as const) {
      expect(textsOf(rows, layout), layout).toBeDefined();
      expect(textsOf(rows, layout), layout).toEqual(textsOf(FULL, layout));
    }
    expect(layoutsOf(familyOf(primaryOf(rows), shelf).context)).toHaveLength(layoutsOf(familyOf(primaryOf(FULL), shelf).context).length);
  });

  it('are read where the lead is a light color: no letter is drawn in it upon paper', () => {
    const light = { ...PALETTE, lead: '#f2b632' } as const;
    const lights = (palette = PALETTE) =>
      layoutsOf(familyOf(primaryOf(FULL), shelf, palette).context).flatMap(({ recipe }) =>
        recipe.parts.flatMap((part) =>
          part.kind === 'group' && part.built ? [part.built.numbers['groundPaint'] ?? { role: 'paper' }] : [],
        ),
      );
    expect(new Set(lights().map((paint) => JSON.stringify(paint)))).toEqual(new Set(['{"role":"paper"}']));
    expect(lights(light)).toEqual(lights().map(() => ({ role: 'lead' })));
    expect(lights(light).length).toBeGreaterThan(2);
  });

  // Common practice, as stated in docs/family.md.
  it('stand in the craft’s ratios', () => {
    const above = draw(FULL, 'symbol-above');
    const cap = above?.mark.parts.find(({ id }) => id === 'name')?.lettering?.capHeightPx ?? 0;
    const symbol = inkOf(above?.mark, 'symbol-1');
    const both = {
      ...symbol,
      top: Math.min(symbol.top, inkOf(above?.mark, 'symbol-2').top),
      bottom: Math.max(symbol.bottom, inkOf(above?.mark, 'symbol-2').bottom),
    };
    expect(high(both) / cap).toBeCloseTo(CRAFT.symbolAbove, 2);
    expect((inkOf(above?.mark, 'name').top - both.bottom) / cap).toBeCloseTo(CRAFT.gapAbove, 2);
    const left = draw(FULL, 'symbol-left');
    const words = inkOf(left?.mark, 'name');
    expect((words.left - Math.max(inkOf(left?.mark, 'symbol-1').right, inkOf(left?.mark, 'symbol-2').right)) / cap).toBeCloseTo(
      CRAFT.gapBeside,
      1,
    );
    const lines = draw(FULL, 'two-even-lines');
    expect(wide(inkOf(lines?.mark, 'words-1')) / wide(inkOf(lines?.mark, 'words-3'))).toBeCloseTo(1, 3);
  });

  it('break a name where its lines come out most alike', () => {
    const { laid } = draw({ name: 'One Two Three Four' }, 'two-lines') ?? {};
    expect(laid?.recipe.parts.map((part) => part.kind === 'linked' && part.run)).toEqual([
      { of: 'words', from: 0, count: 2 },
      { of: 'words', from: 2, count: 2 },
    ]);
  });

  it('follow a name in letters, face and color, part by part', () => {
    for (const id of FAMILY_LAYOUT_NAMES) {
      const { context, draw: show } = familyOf(primaryOf(FULL), shelf);
      const laid = laidOut(id, context);
      if (!laid) continue;
      const before = show(laid.recipe);
      const after = show(laid.recipe, primaryOf({ ...FULL, name: 'Zephyr & Oak Wares', family: 'playfair-display' }));
      const families = (mark: ResolvedMark) => mark.parts.flatMap(({ lettering }) => lettering?.families ?? []);
      if (id === 'symbol-alone') expect(after.drawing).toEqual(before.drawing);
      else {
        expect(after.drawing, id).not.toEqual(before.drawing);
        if (families(before).includes('jost')) expect(families(after), id).toContain('playfair-display');
      }
      expect(
        after.parts.flatMap(({ notices }) => notices).filter(({ code }) => code.startsWith('link')),
        id,
      ).toEqual([]);
    }
  });
});

/** Parts that must keep clear of one another; what stands on a ground or runs around a ring is looked at below. */
const CLEAR = /^(name|second|words-\d+|rule|symbol.*|initial)$/;
const ON_GROUND: readonly FamilyLayoutName[] = ['on-panel', 'on-disk', 'initial-on-disk', 'initial-on-square'];
const MUST: Partial<Record<FamilyLayoutName, readonly string[]>> = {
  'symbol-left': ['symbol-1', 'symbol-2', 'name', 'second'],
  'symbol-above': ['symbol-1', 'symbol-2', 'name', 'second'],
  'name-and-second': ['name', 'second'],
  'one-line': ['name', 'rule', 'second'],
};

describe('layouts of random primaries (1 to 40 letters, with and without symbol and second line, several scripts)', () => {
  const COUNT = casesOf({ inFull: 200, sample: 10 });
  const LETTERS = 'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZéüøßČ&’—  ';
  const SCRIPTS = [
    ['Пекарня на углу', 'noto-sans'],
    ['Αρτοποιείο Νότος', 'noto-sans'],
    ['מאפייה בנמל', 'noto-sans-hebrew'],
    ['مقهى البحر', 'noto-sans-arabic'],
  ] as const;
  it(`no part collides, none is lost, none reaches beyond what it stands on (${COUNT})`, () => {
    const next = random(7);
    let laidTotal = 0;
    for (let n = 0; n < COUNT; n++) {
      const length = 1 + Math.floor(next() * 40);
      const typed =
        Array.from({ length }, () => LETTERS[Math.floor(next() * LETTERS.length)])
          .join('')
          .trim() || 'W';
      const script = n % 5 === 4 ? SCRIPTS[Math.floor(next() * SCRIPTS.length)] : undefined;
      const name = script?.[0] ?? typed;
      const look: PrimaryLook = {
        name,
        ...(next() < 0.6 ? { second: 'Paper and Twine'.slice(0, 4 + Math.floor(next() * 11)) } : {}),
        symbol: next() < 0.5,
        family: script?.[1] ?? (['jost', 'playfair-display', 'cormorant', 'alfa-slab-one'][Math.floor(next() * 4)] as string),
      };
      const { context, draw: show } = familyOf(primaryOf(look), shelf);
      for (const { id, recipe } of layoutsOf(context)) {
        laidTotal++;
        const where = `${JSON.stringify(look)} ${id}`;
        const mark = show(recipe);
        expect(mark.ink, where).toBeDefined();
        expect(
          mark.parts.flatMap(({ notices }) => notices).filter(({ code }) => code.startsWith('link')),
          where,
        ).toEqual([]);
        const shown = mark.parts.filter((part) => part.ink && CLEAR.test(part.id));
        if (familyLayouts[id].role !== 'submark' && !ON_GROUND.includes(id) && id !== 'initial-and-name')
          shown.forEach((one, at) =>
            shown.slice(at + 1).forEach((other) => {
              if (one.id.startsWith('symbol') && other.id.startsWith('symbol')) return;
              expect(apart(one.ink as Bounds, other.ink as Bounds), `${where}: ${one.id} ${other.id}`).toBe(true);
            }),
          );
        for (const must of MUST[id] ?? []) {
          if (must.startsWith('symbol') && !look.symbol) continue;
          // A name of a letter or two beside a longer line is read as a symbol.
          if (must === 'second' && (!look.second || [...name.replace(/\s/g, '')].length <= 3)) continue;
          expect(
            recipe.parts.some((part) => part.id === must),
            `${where}: ${must}`,
          ).toBe(true);
        }
        if (ON_GROUND.includes(id)) expect(isInside(mark, ['panel', 'disk', 'ground']), where).toBe(true);
        if (id.endsWith('ringed') && recipe.parts.some((part) => part.id === 'ring')) expect(inRing(mark), where).toBe(true);
      }
    }
    expect(laidTotal).toBeGreaterThan(COUNT * 8);
  });
});

/** Whether all that is no ground lies in the box of the ground, and in the disk of a disk. */
function isInside(mark: ResolvedMark, grounds: readonly string[]): boolean {
  const ground = mark.parts.find(({ id, ink }) => grounds.includes(id) && ink)?.ink;
  if (!ground) return false;
  return mark.parts.every(
    ({ id, ink }) =>
      grounds.includes(id) ||
      !ink ||
      (ink.left >= ground.left && ink.right <= ground.right && ink.top >= ground.top && ink.bottom <= ground.bottom),
  );
}
/** Whether the words around lie inside the ring, and clear of what is in its middle. */
function inRing(mark: ResolvedMark): boolean {
  const ring = inkOf(mark, 'ring');
  const [x, y, radius] = [(ring.left + ring.right) / 2, (ring.top + ring.bottom) / 2, wide(ring) / 2];
  const reach = (id: string) =>
    mark.drawing.groups
      .filter((group) => group.id === id)
      .flatMap((group) => outlinesIn([group]).flatMap(({ path }) => flatten(path, 0.1).flat()))
      .map((point) => Math.hypot(point.x - x, point.y - y));
  const around = [...reach('around'), ...reach('below')];
  const middle = [...reach('initial'), ...reach('symbol'), ...reach('symbol-1'), ...reach('symbol-2')];
  return around.length > 0 && Math.max(...around) < radius && Math.max(0, ...middle) < Math.min(...around);
}
