import { describe, expect, it } from 'vitest';
import { undoStacks, type RevisionLink } from '$core/index';
import fc from '../../support/properties';

/** The plain model of undo: two stacks of contents. A chain is played through both, and they must show the same. */
function play(actions: readonly ('edit' | 'undo' | 'redo')[]) {
  const chain: RevisionLink[] = [{ number: 1, kind: 'edit' }];
  const contentOf = new Map([[1, 'c1']]);
  const model = { past: [] as string[], shown: 'c1', future: [] as string[] };
  for (const action of actions) {
    const number = chain.length + 1;
    if (action === 'undo') {
      const back = model.past.pop();
      if (back === undefined) continue;
      model.future.push(model.shown);
      model.shown = back;
    } else if (action === 'redo') {
      const again = model.future.pop();
      if (again === undefined) continue;
      model.past.push(model.shown);
      model.shown = again;
    } else {
      model.past.push(model.shown);
      model.shown = `c${number}`;
      model.future = [];
    }
    chain.push({ number, kind: action });
    contentOf.set(number, model.shown);
  }
  return { chain, contentOf, model };
}

describe('undoStacks', () => {
  it('reads out of the chain what a tab with its own stacks would show', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('edit', 'edit', 'undo', 'redo'), { maxLength: 60 }), (actions) => {
        const { chain, contentOf, model } = play(actions);
        const { past, future } = undoStacks(chain);
        expect(past.map((number) => contentOf.get(number))).toEqual(model.past);
        expect(future.map((number) => contentOf.get(number))).toEqual(model.future);
      }),
      { numRuns: 500 },
    );
  });
});
