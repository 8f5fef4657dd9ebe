import { describe, expect, it } from 'vitest';
import {
  createPart,
  createResolver,
  dress,
  EMPTY_RECIPE,
  mapPath,
  translation,
  expect as valueOf,
  newTreatment,
  STARTING_PALETTE,
  treatmentKinds,
  type DrawingNode,
  type PathAlgebra,
  type Recipe,
  type Region,
  type ResolvedMark,
  type Treatment,
  type TreatmentKindName,
} from '$core/index';
import { letteringInput } from '../../../support/drawn-mark';
import { shelfOf } from '../../../support/fonts';
import { paths, resolverOf } from '../../../support/resolver';

const shelf = await shelfOf('jost');
const lettered = (treatments: readonly Treatment[], more: object = {}): Recipe => ({
  ...EMPTY_RECIPE,
  parts: [valueOf(createPart(letteringInput({ id: 'it', text: 'Reed', sizePx: 120, treatments: [...treatments], ...more })))],
});
/** One resolver for a story: what it remembers is what is asked about. */
function story() {
  const { resolve } = resolverOf(shelf);
  return (recipe: Recipe, quick: boolean): ResolvedMark =>
    resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full'), quick });
}
const leaves = (nodes: readonly DrawingNode[]): number =>
  nodes.reduce((sum, node) => sum + (node.kind === 'group' ? leaves(node.children) : 1), 0);
const coordinates = (mark: ResolvedMark): readonly number[] =>
  [...JSON.stringify(mark.drawing.groups).matchAll(/"coords":\[([^\]]*)\]/g)].flatMap(([, list = '']) => list.split(',').map(Number));
const coordsIn = (mark: ResolvedMark): number => JSON.stringify(mark.drawing.groups).length;

/** Kinds that combine the same outlines unchecked, and kinds that draw something coarser. */
const isUnchecked = (kind: TreatmentKindName): boolean => 'quick' in treatmentKinds[kind] && treatmentKinds[kind].quick === 'unchecked';
const QUICK = (Object.keys(treatmentKinds) as TreatmentKindName[]).filter((kind) => 'quick' in treatmentKinds[kind]);

describe('a quick picture', () => {
  it('is there for what takes long', () => {
    expect(QUICK).toEqual(
      expect.arrayContaining(['etched', 'inner-shadow', 'relief', 'wear', 'knitted', 'stepping-outlines', 'inset-line']),
    );
  });
  it.each(QUICK)('of %s is said to be one, is smaller, and gives way to the whole one', (kind) => {
    const draw = story();
    const recipe = lettered([newTreatment(kind, 't')]);
    const quick = draw(recipe, true);
    expect(quick.rough).toBe(true);
    expect(quick.drawing.groups.reduce((sum, { children }) => sum + leaves(children), 0)).toBeGreaterThan(0);
    const whole = draw(recipe, false);
    expect(whole.rough).toBeUndefined();
    if (isUnchecked(kind))
      for (const side of ['left', 'top', 'right', 'bottom'] as const) expect(quick.ink?.[side]).toBeCloseTo(whole.ink?.[side] ?? NaN, 1);
    // Whole stitches are seen through the outline that would cut them.
    else if (kind === 'knitted') expect(JSON.stringify(quick.drawing)).toContain('"clip"');
    else expect(coordsIn(quick)).toBeLessThan(coordsIn(whole));
    // What is remembered whole is never shown quickly again, and is the same to the last number as where nobody hurried.
    const again = draw(recipe, true);
    expect(again.rough).toBeUndefined();
    expect(again.drawing).toEqual(whole.drawing);
    expect(story()(recipe, false).drawing).toEqual(whole.drawing);
  });
  it.each(QUICK)('of %s leaves what follows, aligns and is measured where it was', (kind) => {
    const draw = story();
    const recipe = lettered([newTreatment(kind, 't')]);
    const [quick, whole] = [draw(recipe, true), draw(recipe, false)];
    const seen = ({ parts }: ResolvedMark) =>
      parts.map(({ id, transform, lettering, balance, within }) => ({ id, transform, lettering, balance, within }));
    expect(seen(quick)).toEqual(seen(whole));
  });
  it.each(['inner-shadow', 'relief'] as const)('of %s, seen through its outline, reaches no farther than the whole one', (kind) => {
    const draw = story();
    const recipe = lettered([newTreatment(kind, 't')]);
    const [quick, whole] = [draw(recipe, true).ink, draw(recipe, false).ink];
    for (const side of ['left', 'top', 'right', 'bottom'] as const) expect(quick?.[side]).toBeCloseTo(whole?.[side] ?? NaN, 2);
  });
  it.each(QUICK.filter(isUnchecked))('of %s, combined unchecked, leaves nothing of that in the whole one', (kind) => {
    // Unchecked, everything comes out far aside: wherever it were taken for the checked one, it would be seen.
    const aside = ({ path, rule }: Region): Region => ({ path: mapPath(path, translation(5000, 0)), rule });
    const wrong: PathAlgebra = {
      combine: (...args) => aside(paths.combine(...args)),
      weld: (...args) => aside(paths.weld(...args)),
      grow: (...args) => aside(paths.grow(...args)),
      band: (...args) => aside(paths.band(...args)),
    };
    const { resolve } = createResolver(shelf, { ...paths, unchecked: wrong });
    const draw = (recipe: Recipe, quick: boolean) => resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full'), quick });
    // With one after it that is not hurried, and works on what it left.
    const recipe = lettered([newTreatment(kind, 't'), newTreatment('offset-shadow', 's')]);
    const hurried = draw(recipe, true);
    expect(hurried.rough).toBe(true);
    const whole = draw(recipe, false);
    expect(hurried.drawing).not.toEqual(whole.drawing);
    expect(whole.drawing).toEqual(story()(recipe, false).drawing);
    expect(Math.max(...coordinates(whole))).toBeLessThan(4000);
  });
  it('is not asked for where nothing takes long', () => {
    const draw = story();
    for (const kind of ['offset-shadow', 'out-of-register', 'gradient'] as const) {
      const recipe = lettered([newTreatment(kind, 't')]);
      const first = draw(recipe, true);
      expect(first.rough).toBeUndefined();
      expect(first.drawing).toEqual(draw(recipe, false).drawing);
    }
  });
  it('goes on through what is done after it, and an edit of that keeps the whole one below', () => {
    const draw = story();
    const worn = newTreatment('wear', 'w');
    const shadow = (distancePx: number) => newTreatment('offset-shadow', 's', { distancePx });
    expect(draw(lettered([worn, shadow(4)]), true).rough).toBe(true);
    const whole = draw(lettered([worn, shadow(4)]), false);
    expect(whole.rough).toBeUndefined();
    // The wear is known by now: a hand at the shadow sees it whole.
    const moved = draw(lettered([worn, shadow(9)]), true);
    expect(moved.rough).toBeUndefined();
    expect(moved.drawing).toEqual(story()(lettered([worn, shadow(9)]), false).drawing);
    // And a hidden one costs nothing.
    expect(draw(lettered([{ ...worn, hidden: true }, shadow(5)]), true).rough).toBeUndefined();
  });
  it('is known on single letters, inside groups, and on the whole mark', () => {
    const etched = newTreatment('etched', 'e');
    const letters = lettered([], { letters: [{ at: { index: 0, letter: 'R' }, treatments: [etched] }] });
    const grouped: Recipe = {
      ...EMPTY_RECIPE,
      parts: [
        ...lettered([etched]).parts,
        valueOf(
          createPart({
            kind: 'group',
            id: 'set',
            name: 'Set',
            members: ['it'],
            place: { x: 9, y: 0, turnDeg: 30, scale: 2, flip: true },
          }),
        ),
      ],
    };
    const whole: Recipe = { ...lettered([]), whole: { treatments: [newTreatment('wear', 'w')] } };
    for (const recipe of [letters, grouped, whole]) {
      const draw = story();
      expect(draw(recipe, true).rough).toBe(true);
      const full = draw(recipe, false);
      expect(full.rough).toBeUndefined();
      expect(full.drawing).toEqual(story()(recipe, false).drawing);
      expect(draw(recipe, true).rough).toBeUndefined();
    }
  });
});
