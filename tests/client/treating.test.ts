import { describe, expect, it } from 'vitest';
import {
  createPart,
  EMPTY_RECIPE,
  expect as valueOf,
  isKnown,
  STARTING_PALETTE,
  type Bounds,
  type KnownPart,
  type Recipe,
} from '$core/index';
import type { AtHand } from '$lib/marks/table/at-hand';
import { Treating } from '$lib/marks/table/treating';

const part = (input: object) => valueOf(createPart(input as Parameters<typeof createPart>[0]));
const panel = (id: string, role: string, more: object = {}) =>
  part({ kind: 'shape', id, form: { form: 'panel', widthPx: 90, heightPx: 90, cornerPx: 0 }, paint: { role }, ...more });

/** A table with some parts on it, each with its ink, and some of them chosen. */
function tableOf(parts: readonly KnownPart[], inks: Readonly<Record<string, Bounds>>, chosen: readonly string[]) {
  const gestures: string[] = [];
  const table = {
    open: { recipe: { ...EMPTY_RECIPE, parts } as Recipe },
    desk: { stage: { ink: { left: 0, top: 0, right: 300, bottom: 200 } } },
    palette: STARTING_PALETTE,
    parts,
    get chosen() {
      return table.open.recipe.parts.filter(isKnown).filter(({ id }) => chosen.includes(id));
    },
    selectedId: chosen.at(-1),
    isChosen: (id: string) => chosen.includes(id),
    resolved: (id: string) => inks[id] && { ink: inks[id], transform: { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 } },
    previewRecipe: (recipe: Recipe) => (table.open = { recipe }),
    commit: (gesture: string) => gestures.push(gesture),
    treatment: undefined as string | undefined,
    said: '',
  };
  const treatmentsOf = (id: string) => table.open.recipe.parts.filter(isKnown).find((each) => each.id === id)?.treatments ?? [];
  return { table, gestures, treating: new Treating(table as unknown as AtHand), treatmentsOf };
}
const box = (size: number): Bounds => ({ left: -size, top: -size, right: size, bottom: size });

describe('adding a treatment', () => {
  it('reaches all that are chosen, opens the last one’s numbers, and is one gesture', () => {
    const { table, gestures, treating, treatmentsOf } = tableOf([panel('a', 'ink'), panel('b', 'lead')], { a: box(45), b: box(45) }, [
      'a',
      'b',
    ]);
    treating.add('Add halo', [['halo']]);
    expect([treatmentsOf('a'), treatmentsOf('b')].map((list) => list.map(({ kind }) => kind))).toEqual([['halo'], ['halo']]);
    expect([gestures, table.treatment]).toEqual([['Add halo'], 't-1']);
    treating.add('Add slices', [['slices']]);
    expect(table.treatment).toBe('t-2');
  });

  it('goes to the whole mark where nothing is chosen, and is refused where what is chosen is locked', () => {
    const whole = tableOf([panel('a', 'ink')], {}, []);
    whole.treating.add('Add halo', [['halo']]);
    expect(whole.treating.whole.map(({ kind }) => kind)).toEqual(['halo']);
    whole.treating.previewWhole(() => []);
    expect(whole.table.open.recipe).not.toHaveProperty('whole');
    const locked = tableOf([panel('a', 'ink', { locked: true })], {}, ['a']);
    locked.treating.add('Add halo', [['halo']]);
    expect([locked.gestures, locked.table.said]).toEqual([[], 'It is locked: unlock it first.']);
  });

  it('is painted so that it is seen on what lies behind', () => {
    const paintOf = (behind: string, own: string, covers = true) => {
      const { treating, treatmentsOf } = tableOf([panel('back', behind), panel('a', own)], { back: box(covers ? 90 : 20), a: box(45) }, [
        'a',
      ]);
      treating.add('Add block shadow', [['block-shadow']]);
      return (treatmentsOf('a')[0] as unknown as { paint: object }).paint;
    };
    expect(paintOf('accent', 'ink')).toEqual({ role: 'second' });
    expect(paintOf('second', 'ink')).toEqual({ role: 'lead' });
    expect(paintOf('second', 'lead')).toEqual({ role: 'accent' });
    expect(paintOf('second', 'ink', false)).toEqual({ role: 'second' });
    // In the part's own color a shadow would not be seen against it; what stands off from it is.
    expect(paintOf('accent', 'second')).toEqual({ role: 'lead' });
    const stepping = tableOf([panel('a', 'ink')], { a: box(45) }, ['a']);
    stepping.treating.add('Add outlines', [['stepping-outlines']]);
    expect(stepping.treatmentsOf('a')[0]).toMatchObject({ paint: { role: 'ink' } });
    // Colors that pass into one another stay as they are: they would become one.
    const { treating, treatmentsOf } = tableOf([panel('back', 'lead'), panel('a', 'ink')], { back: box(90), a: box(45) }, ['a']);
    treating.add('Add gradient', [['gradient']]);
    expect(treatmentsOf('a')[0]).toMatchObject({ stops: [{ paint: { role: 'lead' } }, { paint: { role: 'accent' } }] });
  });

  it('begins in lengths that suit the part in its own pixels', () => {
    const { treating, treatmentsOf } = tableOf([panel('a', 'ink')], { a: box(900) }, ['a']);
    treating.add('Add block shadow', [['block-shadow']]);
    expect(treatmentsOf('a')[0]).toMatchObject({ depthPx: 400 });
  });
});
