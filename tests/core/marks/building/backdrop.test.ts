import { describe, expect, it } from 'vitest';
import {
  builtParts,
  dress,
  EMPTY_RECIPE,
  keptPictures,
  madeBy,
  parseRecipe,
  rightsOf,
  STARTING_PALETTE,
  writeRecipe,
  type BuildContext,
  type Heard,
  type Recipe,
} from '$core/index';
import { shelfOf } from '../../../support/fonts';
import { paths, resolverOf } from '../../../support/resolver';

const shelf = await shelfOf('playfair-display');
const heard: Heard = { text: 'Gorsebank', font: { family: 'playfair-display', style: 'normal', axes: {} } };
const context: BuildContext = { fonts: shelf, paths, remember: (_key, make) => make(), heard };
/** A triangle, 100 wide and 50 high. */
const DRAWING = {
  word: 'tent',
  source: { title: 'Tent', author: 'Ada Quill', license: 'CC-BY-4.0' },
  pieces: [{ data: 'M0 50L50 0L100 50Z', rule: 'nonzero' }],
};
const PICTURE = { sha256: 'a'.repeat(64), fileWidthPx: 400, fileHeightPx: 300, source: { title: 'Shore', license: 'client' } };
const numbers = (more: object) => ({ construction: 'picture', letters: 'G', sizePx: 200, ...more });
function built(more: object): Recipe {
  const parts = builtParts(EMPTY_RECIPE, 'all', { builder: 'monogram', numbers: numbers(more), follows: null, heard }, context);
  return { ...EMPTY_RECIPE, parts: parts ?? [] };
}
const draw = (recipe: Recipe) => resolverOf(shelf).resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });
const stood = (recipe: Recipe) => {
  const mark = draw(recipe);
  const named = (kind: string) => recipe.parts.find((part) => part.kind === kind)?.id;
  const inkOf = (kind: string) => mark.parts.find(({ id }) => id === named(kind))?.ink;
  return { backdrop: inkOf('art') ?? inkOf('picture'), letter: inkOf('lettering') };
};
const middle = (box: { left: number; right: number; top: number; bottom: number } | undefined) =>
  box && [(box.left + box.right) / 2, (box.top + box.bottom) / 2].map((value) => Math.round(value * 10) / 10);

describe('an initial before a picture of one’s own', () => {
  it.each([
    ['a drawing', DRAWING, 'art'],
    ['a picture of pixels', PICTURE, 'picture'],
  ])('has %s behind it, on the middle of its ink, in the size and as faint as is asked for', (_, backdrop, kind) => {
    const recipe = built({ backdrop, backdropPercent: 250, behindPercent: 40 });
    const at = recipe.parts.findIndex((part) => part.kind === kind);
    expect(at).toBeGreaterThanOrEqual(0);
    expect(at).toBeLessThan(recipe.parts.findIndex((part) => part.kind === 'lettering'));
    const part = recipe.parts[at] as { opacity: number; oneColor?: string };
    expect(part.opacity).toBe(0.4);
    // Faint, it would stand over the letter where there is one color.
    expect(part.oneColor).toBe('left-out');
    expect(built({ backdrop, behindPercent: 80 }).parts[at]).not.toHaveProperty('oneColor');
    const { backdrop: behind, letter } = stood(recipe);
    expect((behind?.right ?? 0) - (behind?.left ?? 0)).toBeCloseTo(500, 3);
    expect(middle(behind)).toEqual(middle(letter));
  });

  it('may have as long a title as pictures have', () => {
    const title = 'Ж'.repeat(120);
    for (const backdrop of [DRAWING, PICTURE])
      expect(stood(built({ backdrop: { ...backdrop, source: { ...backdrop.source, title } } })).backdrop).toBeDefined();
  });

  it('is stored, read again, and says whose the drawing is and which picture it keeps', () => {
    for (const backdrop of [DRAWING, PICTURE]) {
      const recipe = built({ backdrop });
      const again = parseRecipe(JSON.parse(JSON.stringify(writeRecipe(recipe))));
      expect(again.ok && again.value).toEqual(recipe);
    }
    expect(JSON.stringify(rightsOf(built({ backdrop: DRAWING }), new Map(), shelf))).toContain('Ada Quill');
    const group = built({ backdrop: PICTURE }).parts.find(({ kind }) => kind === 'group');
    // Even where its row was taken out, building anew finds it.
    expect(group && keptPictures(group)).toEqual([PICTURE.sha256]);
  });

  it('without a picture is the letter, and says what is missing; letters, frames and looks go with it', () => {
    const notices = madeBy({ builder: 'monogram', numbers: numbers({}) }, context)?.notices ?? [];
    expect(notices.map(({ code }) => code)).toEqual(['no-backdrop']);
    const recipe = built({ letters: 'GB', backdrop: DRAWING, frame: 'circle', look: 'double-rim' });
    expect(recipe.parts.filter(({ kind }) => kind === 'lettering').length).toBe(2);
    const order = recipe.parts.filter(({ kind }) => kind !== 'group').map(({ kind }) => kind);
    expect(order.indexOf('shape')).toBeLessThan(order.indexOf('art'));
    expect(recipe.parts.some((part) => part.kind === 'lettering' && part.treatments && part.treatments.length > 0)).toBe(true);
  });

  it.each([
    ['a drawing that is none', { ...DRAWING, pieces: [{ data: 'M0 0 nonsense', rule: 'nonzero' }] }],
    ['a digest that is none', { ...PICTURE, sha256: 'zz' }],
    ['a drawing too long to keep', { ...DRAWING, pieces: [{ data: `M0 0${'L1 1'.repeat(9000)}Z`, rule: 'nonzero' }] }],
  ])('refuses %s: nothing is built of it', (_, backdrop) => {
    expect(built({ backdrop }).parts.filter(({ kind }) => kind === 'art' || kind === 'picture')).toEqual([]);
  });
});
