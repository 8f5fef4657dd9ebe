import { beforeAll, describe, expect, it } from 'vitest';
import {
  boundsOf,
  choosableFeatures,
  featureName,
  fontsNeeded,
  letterForms,
  spacingOf,
  withEveryLook,
  withGap,
  withLook,
  withNewBelt,
  withNewCut,
  type FontShelf,
  type Lettering,
  type Recipe,
  RECIPE_VERSION,
} from '$core/index';
import { drawnOn, fillsOf, letteringInput, partNamed, partOf } from '../../../support/drawn-mark';
import { shelfOf } from '../../../support/fonts';
import { paths } from '../../../support/resolver';

let shelf: FontShelf;
beforeAll(async () => {
  shelf = await shelfOf('jost', 'eb-garamond', 'zilla-slab', 'cinzel');
});
const lettering = (change: object = {}) => partOf(letteringInput(change)) as Lettering;

describe('the view of gaps', () => {
  it('shows one area between every two letters, none at spaces, with what moves them', () => {
    const { gaps, box } = spacingOf(
      lettering({
        text: 'AV IO',
        font: { family: 'zilla-slab' },
        kerning: 'optical',
        gaps: [{ index: 3, left: 'I', right: 'O', permille: 30 }],
      }),
      shelf,
      paths,
    );
    expect(gaps.map(({ left, right }) => left + right)).toEqual(['AV', 'IO']);
    expect(gaps[0]?.kernPermille).toBeLessThan(-20);
    expect(gaps.map(({ handPermille }) => handPermille)).toEqual([0, 30]);
    for (const gap of gaps) {
      const area = boundsOf(gap.area);
      expect(area && box && area.left > box.left && area.right < box.right).toBe(true);
    }
  });
  it('measures the white between two bars as its width times the height of capitals (closed form)', () => {
    const font = { family: 'jost' };
    const [gap] = spacingOf(lettering({ text: 'II', font }), shelf, paths).gaps;
    const mark = drawnOn(shelf)(letteringInput({ text: 'II', font, sizePx: 1000 }));
    const [one, other] = fillsOf(mark, 'name').map(({ path }) => boundsOf(path));
    const facts = partNamed(mark, 'name').lettering;
    const white = (other?.left ?? 0) - (one?.right ?? 0);
    expect(gap?.size).toBeCloseTo((white * (facts?.capHeightPx ?? 0)) / 1000, 0);
  });
  it('is made for every line of a text, and empty without its font', () => {
    expect(spacingOf(lettering({ text: 'AB\nCD' }), shelf, paths).gaps.map(({ left, right }) => left + right)).toEqual(['AB', 'CD']);
    expect(spacingOf(lettering({ font: { family: 'no-such-font' } }), shelf, paths)).toMatchObject({ gaps: [], box: undefined });
  });
});

describe('the forms of a letter', () => {
  it('are those that the font has at its place, the plain one first, each different', () => {
    const forms = letterForms(lettering({ text: 'Quay', font: { family: 'eb-garamond', style: 'italic' } }), 0, shelf);
    expect(forms[0]?.tag).toBeUndefined();
    expect(forms.map(({ tag }) => tag)).toContain('swsh');
    const outlines = forms.map(({ path }) => JSON.stringify(path));
    expect(new Set(outlines).size).toBe(outlines.length);
  });
  it('are one where the font has no others, and none for a letter that is not there', () => {
    expect(letterForms(lettering({ text: 'Wind' }), 1, shelf).length).toBe(1);
    expect(letterForms(lettering({ text: 'Wind' }), 9, shelf)).toEqual([]);
  });
});

describe('features', () => {
  it('are named in words, and those that shaping needs are not offered', () => {
    expect([featureName('smcp'), featureName('ss07'), featureName('cv12'), featureName('zzzz')]).toEqual([
      'small capitals',
      'stylistic set 7',
      'letter variant 12',
      'zzzz',
    ]);
    expect(choosableFeatures(['ccmp', 'kern', 'liga', 'mark', 'onum', 'ss01'])).toEqual(['liga', 'onum', 'ss01']);
  });
});

describe('editing letters', () => {
  it('merges what is changed, takes away what follows the line again, and leaves no empty looks behind', () => {
    const turned = withLook(lettering(), { index: 2 }, { turnDeg: 9, risePermille: 20 });
    expect(turned.letters).toEqual([{ at: { index: 2, letter: 'n' }, turnDeg: 9, risePermille: 20 }]);
    const again = withLook(turned, { index: 2 }, { turnDeg: undefined });
    expect(again.letters).toEqual([{ at: { index: 2, letter: 'n' }, risePermille: 20 }]);
    expect(withLook(again, { index: 2 }, { risePermille: undefined }).letters).toEqual([]);
    expect(withLook(lettering(), { index: 99 }, { turnDeg: 9 })).toEqual(lettering());
  });
  it('gives every such letter of the whole mark a look', () => {
    const recipe: Recipe = {
      version: RECIPE_VERSION,
      parts: [lettering(), { ...lettering({ text: 'Rowing' }), id: 'second' }, { ...lettering({ text: 'Kite' }), id: 'third' }],
    };
    const after = withEveryLook(recipe, 'o', { sizePercent: 80 });
    expect(after.parts.map((part) => (part.kind === 'lettering' ? part.letters.length : -1))).toEqual([1, 1, 0]);
  });
  it('adjusts gaps once each, and takes an adjustment of nothing away', () => {
    const kerned = withGap(withGap(lettering(), 0, -20), 0, -35);
    expect(kerned.gaps).toEqual([{ index: 0, left: 'W', right: 'i', permille: -35 }]);
    expect(withGap(kerned, 0, 0).gaps).toEqual([]);
    expect(withGap(kerned, 6, 10)).toEqual(kerned);
  });
  it('adds cuts and rings under names of their own, all of which show', () => {
    const plain = fillsOf(drawnOn(shelf)(letteringInput()), 'name');
    for (const form of ['bar', 'arc', 'wedge', 'slice', 'free'] as const)
      for (const index of [5, undefined]) {
        const cut = withNewCut(withNewCut(lettering(), form, index), form, index);
        expect(cut.cuts.map(({ id }) => id)).toEqual(['cut-1', 'cut-2']);
        const shown = fillsOf(drawnOn(shelf)(cut), 'name');
        expect(
          shown.some(({ path }, at) => JSON.stringify(path) !== JSON.stringify(plain[at]?.path)),
          `${form} ${index}`,
        ).toBe(true);
      }
    for (const form of ['ring', 'line'] as const)
      expect(fillsOf(drawnOn(shelf)(withNewBelt(lettering(), form, 5)), 'name').length).toBe(plain.length + 1);
  });
  it('asks for the fonts of single letters too', () => {
    const recipe: Recipe = {
      version: RECIPE_VERSION,
      parts: [withLook(lettering(), { index: 0 }, { font: { family: 'cinzel', style: 'normal', axes: {} } })],
    };
    expect(fontsNeeded(recipe, new Map()).map(({ family }) => family)).toEqual(['jost', 'cinzel']);
  });
});

describe('one edit', () => {
  it('draws its own branch anew and nothing else: what follows it, when what it follows has changed', () => {
    const draw = drawnOn(shelf);
    const disk = { kind: 'shape', id: 'disk', form: { form: 'disk', widthPx: 400, heightPx: 400 } } as const;
    const ring = letteringInput({
      id: 'ring',
      text: 'ROWING',
      sizePx: 40,
      line: { shape: 'arc', form: 'ring', side: 'over', radiusPx: 100, around: { part: 'disk', insetPx: 30 } },
    });
    const name = letteringInput({ text: 'Wind' });
    const [before, painted, moved] = [
      draw(disk, ring, name),
      draw({ ...disk, paint: { role: 'accent' } }, ring, name),
      draw({ ...disk, form: { ...disk.form, widthPx: 500, heightPx: 500 } }, ring, name),
    ];
    const pathsOf = (mark: typeof before, id: string) => fillsOf(mark, id).map(({ path }) => path);
    // The very same outlines, not only equal ones.
    for (const mark of [painted, moved]) pathsOf(mark, 'name').forEach((path, index) => expect(path).toBe(pathsOf(before, 'name')[index]));
    pathsOf(painted, 'ring').forEach((path, index) => expect(path).toBe(pathsOf(before, 'ring')[index]));
    expect(pathsOf(moved, 'ring')[0]).not.toEqual(pathsOf(before, 'ring')[0]);
  });
});
