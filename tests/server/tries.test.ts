import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readFileSync } from 'node:fs';
import { writeRecipe, type Lettering, RECIPE_VERSION } from '$core/index';
import { nameRecipe, read, recipeOf, send } from '../support/api';
import { letteringInput, partOf } from '../support/drawn-mark';
import { edit } from '../support/random-edits';
import { startTestApp } from '../support/test-app';
import fc from '../support/properties';

let app: Awaited<ReturnType<typeof startTestApp>>;
beforeAll(async () => {
  app = await startTestApp();
});
afterAll(() => app.stop());

interface Kept {
  readonly id: string;
  readonly name: string;
  readonly recipe: unknown;
}
const address = (brand: string, mark: string) => `${app.url}/api/brands/${brand}/marks/${mark}/tries`;

describe('tries', () => {
  it('are kept beside the mark, renamed, removed and brought back; the mark itself stays as it is', async () => {
    const tries = address('tidewrack-aerial', 'primary');
    const before = await read(`${app.url}/api/brands/tidewrack-aerial/marks/primary`);
    const one = await send<Kept>(tries, 'POST', { name: 'Carved', recipe: nameRecipe('Tidewrack') });
    expect(one.status).toBe(201);
    expect((await send<Kept>(`${tries}/${one.value.id}`, 'PATCH', { name: 'Tall' })).value.name).toBe('Tall');
    await send(`${tries}/${one.value.id}`, 'PATCH', { removed: true });
    expect(await read(tries)).toEqual([]);
    await send(`${tries}/${one.value.id}`, 'PATCH', { removed: false });
    expect(await read<Kept[]>(tries)).toMatchObject([{ name: 'Tall', recipe: nameRecipe('Tidewrack') }]);
    expect(await read(`${app.url}/api/brands/tidewrack-aerial/marks/primary`)).toEqual(before);
  });

  it('refuse nonsense, other marks’ tries and links to other brands, with a sentence', async () => {
    const tries = address('tidewrack-aerial', 'primary');
    const [kept] = await read<Kept[]>(tries);
    const strange = recipeOf({ kind: 'linked', id: 'l', from: { mark: 'a0a0a0a0-0000-4000-8000-000000000001', part: 'name' } });
    for (const [url, method, body, status] of [
      [tries, 'POST', { name: '', recipe: nameRecipe('x') }, 422],
      [tries, 'POST', { name: 'x', recipe: { version: 1, parts: [{ kind: 'lettering', id: 'a', text: 3 }] } }, 422],
      [tries, 'POST', { name: 'x', recipe: strange }, 422],
      [`${address('gorsebank-rowing-club', 'primary')}/${kept?.id}`, 'PATCH', { removed: true }, 404],
      [address('windrow-kites', 'nowhere'), 'POST', { name: 'x', recipe: nameRecipe('x') }, 404],
    ] as const) {
      const answer = await send<{ title: string }>(url, method, body);
      expect([url, answer.status, answer.type]).toEqual([url, status, 'application/problem+json']);
      expect(answer.value.title.length).toBeGreaterThan(10);
    }
  });
});

describe('letter operations', () => {
  it('come back from the database as the identical recipe and picture (property, real database)', async () => {
    const made = await send<{ slug: string; revision: number }>(`${app.url}/api/brands/windrow-kites/marks`, 'POST', {
      name: 'Round trip',
      role: 'secondary',
      recipe: recipeOf(letteringInput()),
    });
    const mark = `${app.url}/api/brands/windrow-kites/marks/${made.value.slug}`;
    let base = made.value.revision;
    await fc.assert(
      fc.asyncProperty(fc.array(edit, { minLength: 1, maxLength: 6 }), async (edits) => {
        const part = edits.reduce((sum, { apply }) => apply(sum), partOf(letteringInput({ text: 'Windfi' })) as Lettering);
        const recipe = JSON.parse(JSON.stringify(writeRecipe({ version: RECIPE_VERSION, parts: [part] }))) as unknown;
        const gesture = { id: crypto.randomUUID(), kind: 'edit', gesture: 'Random', recipe };
        const saved = await send<{ revision: number }>(`${mark}/revisions`, 'POST', { base, gestures: [gesture] });
        expect(saved.status).toBe(201);
        base = saved.value.revision;
        expect((await read<{ recipe: unknown }>(mark)).recipe).toEqual(recipe);
      }),
      { numRuns: 40 },
    );
  });
});

describe('a client’s font that is removed', () => {
  it('is no longer offered, keeps the pictures of the marks that use it, and can be brought back', async () => {
    const brand = `${app.url}/api/brands/tidewrack-aerial`;
    const file = readFileSync('/usr/share/fonts/opentype/linux-libertine/LinLibertine_R.otf');
    const taken = (await (
      await fetch(`${brand}/fonts?rights=ours`, { method: 'POST', headers: { 'content-type': 'application/octet-stream' }, body: file })
    ).json()) as {
      family: string;
    };
    const made = await send<{ slug: string }>(`${brand}/marks`, 'POST', {
      name: 'In their own face',
      role: 'secondary',
      recipe: nameRecipe('Tidewrack', { font: { family: taken.family } }),
    });
    const picture = async () => (await fetch(`${brand}/marks/${made.value.slug}/picture.svg`)).text();
    const before = await picture();
    expect((await send(`${brand}/fonts/${taken.family}`, 'PATCH', { removed: true })).status).toBe(200);
    expect(await picture()).toBe(before);
    expect(await read(`${brand}/fonts`)).toMatchObject([{ id: taken.family, removed: true }]);
    await send(`${brand}/fonts/${taken.family}`, 'PATCH', { removed: false });
    expect((await read<object[]>(`${brand}/fonts`))[0]).not.toHaveProperty('removed');
    expect((await send(`${brand}/fonts/own-nothing`, 'PATCH', { removed: true })).status).toBe(404);
  });
});
