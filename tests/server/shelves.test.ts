import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { nameRecipe, palette, read, recipeOf, send } from '../support/api';
import { startTestApp } from '../support/test-app';

let app: Awaited<ReturnType<typeof startTestApp>>;
beforeAll(async () => {
  app = await startTestApp();
});
afterAll(() => app.stop());

interface Shelved {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly role: string;
  readonly shelf: string;
  readonly recipe: unknown;
}
const brands = () => `${app.url}/api/brands`;
const marks = (brand: string) => `${brands()}/${brand}/marks`;
const namesOf = async (brand: string, shelf = 'kept') =>
  (await read<Shelved[]>(marks(brand))).filter((mark) => mark.shelf === shelf).map(({ name }) => name);
const picture = async (brand: string, mark: string) => (await fetch(`${marks(brand)}/${mark}/picture.svg`)).text();

describe('the marks of a brand', () => {
  it('are renamed, moved, archived, removed and restored; address, recipe and revision stay', async () => {
    const at = marks('tidewrack-aerial');
    const names = await namesOf('tidewrack-aerial');
    expect(names.length).toBeGreaterThan(1);
    const [first, second] = await read<Shelved[]>(at);
    if (!first || !second) throw new Error('two marks were expected');
    const renamed = await send<Shelved>(`${at}/${first.slug}`, 'PATCH', { name: 'Main sign', role: 'icon' });
    expect([renamed.status, renamed.value]).toEqual([200, { ...first, name: 'Main sign', role: 'icon' }]);
    await send(`${at}/${first.slug}`, 'PATCH', { position: 1 });
    expect((await namesOf('tidewrack-aerial')).slice(0, 2)).toEqual([second.name, 'Main sign']);
    for (const [shelf, left] of [
      ['archived', 1],
      ['removed', 1],
      ['kept', 0],
    ] as const) {
      await send(`${at}/${first.slug}`, 'PATCH', { shelf });
      expect(await namesOf('tidewrack-aerial', shelf)).toContain('Main sign');
      expect((await namesOf('tidewrack-aerial')).length).toBe(names.length - left);
    }
    expect(await read(`${at}/${first.slug}`)).toMatchObject({ slug: first.slug, recipe: first.recipe });
  });

  it('that are removed go on being drawn by those that follow them', async () => {
    const at = marks('windrow-kites');
    const source = await send<Shelved>(at, 'POST', { name: 'Source', role: 'primary', recipe: nameRecipe('Source') });
    const follower = recipeOf({ kind: 'linked', id: 'f', from: { mark: source.value.id, part: 'name' }, take: 'whole' });
    const made = await send<Shelved>(at, 'POST', { name: 'Follower', role: 'submark', recipe: follower });
    const before = await picture('windrow-kites', made.value.slug);
    expect(before).toContain('<path');
    await send(`${at}/${source.value.slug}`, 'PATCH', { shelf: 'removed' });
    expect(await picture('windrow-kites', made.value.slug)).toBe(before);
  });

  it('hold 60 in order, and each move is the move of a list', async () => {
    const { value: brand } = await send<Shelved>(brands(), 'POST', { name: 'Many marks', palette });
    const at = marks(brand.slug);
    for (let n = 0; n < 60; n++) await send(at, 'POST', { name: `Mark ${n}`, role: 'icon', recipe: nameRecipe(`${n}`) });
    const expected = Array.from({ length: 60 }, (_, n) => `Mark ${n}`);
    for (const [from, to] of [
      [0, 59],
      [59, 0],
      [30, 3],
      [3, 30],
      [7, 100_000],
    ] as const) {
      const [moving] = expected.splice(from, 1);
      if (!moving) throw new Error('no such mark');
      expected.splice(to, 0, moving);
      const { slug } = (await read<Shelved[]>(at)).find(({ name }) => name === moving) ?? { slug: '' };
      await send(`${at}/${slug}`, 'PATCH', { position: to });
      expect(await namesOf(brand.slug)).toEqual(expected);
    }
  });

  it('refuse nonsense with a sentence and change nothing', async () => {
    const at = `${marks('windrow-kites')}/primary`;
    const before = await read(at);
    for (const [body, status] of [
      [{ name: '' }, 422],
      [{ name: 'x'.repeat(81) }, 422],
      [{ name: 'a\u0000b' }, 422],
      [{ role: 'king' }, 422],
      [{ shelf: 'attic' }, 422],
      [{ position: -1 }, 422],
      [{ position: 1.5 }, 422],
      [{ slug: 'other' }, 422],
    ] as const) {
      const answer = await send<{ title: string }>(at, 'PATCH', body);
      expect([body, answer.status, answer.type]).toEqual([body, status, 'application/problem+json']);
      expect(answer.value.title.length).toBeGreaterThan(10);
    }
    expect((await send(`${marks('windrow-kites')}/nowhere`, 'PATCH', { name: 'x' })).status).toBe(404);
    expect(await read(at)).toEqual(before);
  });
});

describe('the studio', () => {
  it('copies a brand whole: marks that follow each other do so in the copy, and the original stays', async () => {
    const of = await read<Shelved[]>(marks('windrow-kites'));
    const made = await send<Shelved>(`${brands()}/windrow-kites/copies`, 'POST', { name: 'Windrow Kites, spring' });
    expect(made.status).toBe(201);
    const copies = await read<Shelved[]>(marks(made.value.slug));
    expect(copies.map(({ name }) => name)).toEqual(of.filter(({ shelf }) => shelf !== 'removed').map(({ name }) => name));
    const ids = new Set(copies.map(({ id }) => id));
    const followed = copies.flatMap(({ recipe }) =>
      (recipe as { parts: { kind: string; from?: { mark: string } }[] }).parts.flatMap(({ kind, from }) =>
        kind === 'linked' && from ? [from.mark] : [],
      ),
    );
    expect(followed.length).toBeGreaterThan(0);
    // What followed a removed mark goes on following that one: it has no copy.
    const gone = new Set(of.filter(({ shelf }) => shelf === 'removed').map(({ id }) => id));
    expect(followed.filter((id) => !ids.has(id) && !gone.has(id))).toEqual([]);
    const numbers = (svg: string) => svg.replace(/<metadata>.*<\/metadata>|<title>.*?<\/title>/gs, '');
    expect(numbers(await picture(made.value.slug, 'initial'))).toBe(numbers(await picture('windrow-kites', 'initial')));
    for (const kind of ['brief', 'board', 'type']) {
      const [mine, theirs] = await Promise.all(
        [made.value.slug, 'windrow-kites'].map((slug) => read<{ content: unknown }>(`${brands()}/${slug}/documents/${kind}`)),
      );
      expect(mine?.content).toEqual(theirs?.content);
    }
    expect(await read(marks('windrow-kites'))).toEqual(of);
  });

  it('copies photos with what is laid over them: it names the marks and photos of the copy', async () => {
    interface Laid {
      readonly content: { readonly stamps: readonly { readonly mark: string }[]; readonly exceptions: object };
    }
    const from = 'tidewrack-aerial';
    const made = await send<Shelved>(`${brands()}/${from}/copies`, 'POST', { name: 'Tidewrack, by another' });
    expect(made.status).toBe(201);
    const photos = (of: string) => read<readonly { readonly id: string; readonly name: string }[]>(`${brands()}/${of}/photos`);
    const [theirs, own] = [await photos(from), await photos(made.value.slug)];
    expect(theirs.length).toBeGreaterThan(3);
    expect(own.map(({ name }) => name)).toEqual(theirs.map(({ name }) => name));
    expect(own.some(({ id }) => theirs.some((each) => each.id === id))).toBe(false);
    const { content } = await read<Laid>(`${brands()}/${made.value.slug}/documents/photos`);
    const ids = new Set((await read<readonly Shelved[]>(marks(made.value.slug))).map(({ id }) => id));
    expect(content.stamps.length).toBeGreaterThan(0);
    for (const { mark } of content.stamps) expect(ids.has(mark)).toBe(true);
    for (const id of Object.keys(content.exceptions)) expect(own.some((photo) => photo.id === id)).toBe(true);
  });

  it('makes one copy of one request, however often it is sent', async () => {
    const body = { name: 'Once more', key: '7b1f5f6e-1f1e-4a5c-9d43-5a6c2f1c8a11' };
    const answers = await Promise.all([1, 2, 3].map(() => send<Shelved>(`${brands()}/gorsebank-rowing-club/copies`, 'POST', body)));
    expect(new Set(answers.map(({ value }) => value.slug)).size).toBe(1);
  });

  it('renames, moves, archives and removes brands; search, order and shelf show what they say', async () => {
    const listed = async (query: string) => {
      const page = await (await fetch(`${app.url}/?${query}`)).text();
      return [...page.matchAll(/<article aria-label="([^"]*)"/g)].map(([, name]) => name);
    };
    const { value: brand } = await send<Shelved>(brands(), 'POST', { name: 'Zebra 100%_', about: 'Striped \\ things', palette });
    expect(await listed(`text=${encodeURIComponent('striped zeb')}`)).toEqual(['Zebra 100%_']);
    expect(await listed(`text=${encodeURIComponent('0%_')}`)).toEqual(['Zebra 100%_']);
    expect(await listed(`text=${encodeURIComponent('\\')}`)).toEqual(['Zebra 100%_']);
    expect(await listed(`text=${encodeURIComponent("'; drop table brand")}`)).toEqual([]);
    expect((await listed('order=name')).at(-1)).toBe('Zebra 100%_');
    expect((await listed('order=newest'))[0]).toBe('Zebra 100%_');
    await send(`${brands()}/${brand.slug}`, 'PATCH', { position: 0, name: 'Zebra' });
    expect((await listed(''))[0]).toBe('Zebra');
    for (const shelf of ['archived', 'removed', 'kept']) {
      await send(`${brands()}/${brand.slug}`, 'PATCH', { shelf });
      for (const shown of ['kept', 'archived', 'removed'])
        expect([shelf, shown, (await listed(`shelf=${shown}&text=zebra`)).length]).toEqual([shelf, shown, shown === shelf ? 1 : 0]);
    }
    expect((await listed('most=2')).length).toBe(2);
    expect((await fetch(`${app.url}/?order=nonsense`)).status).toBe(422);
    expect((await send(`${brands()}/${brand.slug}`, 'PATCH', { name: ' ' })).status).toBe(422);
  });
});
