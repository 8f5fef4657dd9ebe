import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { RECIPE_VERSION } from '$core/index';
import { nameRecipe, palette, read, send } from '../support/api';
import { startTestApp } from '../support/test-app';
import fc from '../support/properties';

let app: Awaited<ReturnType<typeof startTestApp>>;
beforeAll(async () => {
  app = await startTestApp({ demo: false });
});
afterAll(() => app.stop());

/** A tab's own account of undo and redo, which the database must be able to give back. */
class Tab {
  past: string[] = [];
  shown = 'start';
  future: string[] = [];

  act(kind: 'edit' | 'undo' | 'redo', text: string): string | undefined {
    const [from, to] = kind === 'undo' ? [this.past, this.future] : [this.future, this.past];
    const next = kind === 'edit' ? text : from.pop();
    if (next === undefined) return undefined;
    to.push(this.shown);
    if (kind === 'edit') this.future = [];
    return (this.shown = next);
  }
}

describe('the chain of revisions', () => {
  it('gives back, after any run of edits, undos and redos saved in any portions, exactly the tab’s own undo and redo', async () => {
    const brand = (await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Chain', palette })).value.slug;
    const runs = fc.array(fc.tuple(fc.constantFrom('edit' as const, 'edit' as const, 'undo' as const, 'redo' as const), fc.boolean()), {
      minLength: 1,
      maxLength: 30,
    });
    await fc.assert(
      fc.asyncProperty(runs, async (run) => {
        const mark = (
          await send<{ slug: string }>(`${app.url}/api/brands/${brand}/marks`, 'POST', {
            name: 'Mark',
            role: 'primary',
            recipe: nameRecipe('start'),
          })
        ).value.slug;
        const address = `${app.url}/api/brands/${brand}/marks/${mark}`;
        const tab = new Tab();
        let base = 1;
        let waiting: object[] = [];
        const flush = async () => {
          if (waiting.length === 0) return;
          expect((await send(`${address}/revisions`, 'POST', { base, gestures: waiting })).status).toBe(201);
          base += waiting.length;
          waiting = [];
        };
        for (const [index, [kind, saveNow]] of run.entries()) {
          const shown = tab.act(kind, `edit ${index}`);
          if (shown !== undefined) waiting.push({ id: randomUUID(), kind, gesture: 'Type', recipe: nameRecipe(shown) });
          if (saveNow) await flush();
        }
        await flush();
        const steps = await read<Record<'past' | 'future', { recipe: { parts: { text: string }[] } }[]>>(`${address}/revisions`);
        const texts = (side: 'past' | 'future') => steps[side].map(({ recipe }) => recipe.parts[0]?.text);
        expect([texts('past'), texts('future')]).toEqual([tab.past, tab.future]);
        const current = await read<{ revision: number; recipe: { parts: { text: string }[] } }>(address);
        expect([current.revision, current.recipe.parts[0]?.text]).toEqual([base, tab.shown]);
      }),
      { numRuns: 25 },
    );
  });

  it('takes what has changed since another gesture of the mark, and refuses what is told from anything else', async () => {
    const brand = (await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Told', palette })).value.slug;
    const newMark = { name: 'Mark', role: 'primary', recipe: nameRecipe('start') };
    const marks = `${app.url}/api/brands/${brand}/marks`;
    const [mark, other] = [
      `${marks}/${(await send<{ slug: string }>(marks, 'POST', newMark)).value.slug}`,
      `${marks}/${(await send<{ slug: string }>(marks, 'POST', newMark)).value.slug}`,
    ];
    const gesture = (more: object) => ({ id: randomUUID(), kind: 'edit', gesture: 'Type', ...more });
    const texts = (words: readonly string[]) => words.map((text) => ({ kind: 'lettering', id: text, text, font: { family: 'jost' } }));
    const version = RECIPE_VERSION;
    const first = gesture({ recipe: { version, parts: texts(['a', 'b', 'c']) } });
    const second = gesture({ after: first.id, changes: { version, order: ['c', 'a', 'd'], parts: texts(['d']) } });
    const third = gesture({ after: second.id, changes: { version, order: ['d'], parts: [] } });
    const save = (base: number, ...gestures: object[]) => send<{ detail: string }>(`${mark}/revisions`, 'POST', { base, gestures });
    const shown = async () => (await read<{ recipe: { parts: { text: string }[] } }>(mark)).recipe.parts.map(({ text }) => text);
    expect((await save(1, first, second)).status).toBe(201);
    expect(await shown()).toEqual(['c', 'a', 'd']);
    expect((await save(3, third)).status).toBe(201);
    // Its answer was lost, it is sent again.
    expect((await save(3, third)).status).toBe(201);
    expect(await shown()).toEqual(['d']);
    const theirs = gesture({ recipe: { version, parts: texts(['a']) } });
    expect((await send(`${other}/revisions`, 'POST', { base: 1, gestures: [theirs] })).status).toBe(201);
    const changes = { version, order: ['a'], parts: [] };
    for (const [more, said] of [
      [{ after: randomUUID(), changes }, 'that this mark does not have'],
      [{ after: theirs.id, changes }, 'that this mark does not have'],
      [{ after: third.id, changes }, 'that this mark does not have'],
      [{ after: first.id, changes: { ...changes, version: 1 } }, 'that this mark does not have'],
      [{ after: first.id, changes: { ...changes, order: ['a', 'a'] } }, 'ids must be unique'],
      [{ after: first.id, changes: { ...changes, parts: [{ id: 'a', kind: 'lettering', text: 7 }] } }, 'text'],
      [{ after: first.id }, 'Expected either'],
      [{ changes }, 'Expected either'],
      [{ after: first.id, changes, recipe: nameRecipe('both') }, 'Expected either'],
      [{}, 'Expected either'],
    ] as const) {
      const answer = await save(4, gesture(more));
      expect([answer.status, answer.value.detail.includes(said)], `${said}: ${JSON.stringify(answer.value)}`).toEqual([422, true]);
    }
    expect(await shown()).toEqual(['d']);
  });

  it('is never longer than what was saved: a refused gesture leaves no revision', async () => {
    const brand = (await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Refused', palette })).value.slug;
    await send(`${app.url}/api/brands/${brand}/marks`, 'POST', { name: 'Mark', role: 'primary', recipe: nameRecipe('start') });
    const address = `${app.url}/api/brands/${brand}/marks/mark`;
    for (const body of [
      { base: 1, gestures: [] },
      { base: 0, gestures: [{ id: randomUUID(), kind: 'edit', gesture: 'x', recipe: nameRecipe('a') }] },
      { base: 1, gestures: [{ id: 'not-a-uuid', kind: 'edit', gesture: 'x', recipe: nameRecipe('a') }] },
      { base: 1, gestures: [{ id: randomUUID(), kind: 'erase', gesture: 'x', recipe: nameRecipe('a') }] },
      { base: 1, gestures: [{ id: randomUUID(), kind: 'edit', gesture: '', recipe: nameRecipe('a') }] },
      { base: 1, gestures: [{ id: randomUUID(), kind: 'edit', gesture: 'x', recipe: { version: 1, parts: 'none' } }] },
    ])
      expect((await send(`${address}/revisions`, 'POST', body)).status, JSON.stringify(body)).toBeGreaterThanOrEqual(409);
    expect((await read<{ revision: number }>(address)).revision).toBe(1);
  });
});
