import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { nameRecipe, palette, read, send } from '../support/api';
import { startTestApp } from '../support/test-app';
import { NAMES_OF_ANY_SCRIPT } from '../support/names';

let app: Awaited<ReturnType<typeof startTestApp>>;
let api: string;
beforeAll(async () => {
  app = await startTestApp({ demo: false });
  api = `${app.url}/api/brands`;
});
afterAll(() => app.stop());

const mark = () => ({ name: 'Primary', role: 'primary', recipe: nameRecipe('start') });
const newBrand = async (more: object = {}) =>
  (await send<{ id: string; slug: string; mark?: { slug: string } }>(api, 'POST', { name: 'Work', palette, ...more })).value;
const gesture = (content: object, kind = 'edit', id: string = randomUUID()) => ({ id, kind, gesture: 'Change', ...content });

/** Marks, documents and palettes are saved alike. */
const chains = [
  ['a mark', 'marks/primary/revisions', 1, (text: string) => ({ recipe: nameRecipe(text) })],
  ['a brief', 'documents/brief/revisions', 0, (text: string) => ({ content: { audience: text } })],
  ['a type desk', 'documents/type/revisions', 0, (text: string) => ({ content: { line: text } })],
  ['a palette', 'palette/revisions', 1, (text: string) => ({ content: { ...palette, ink: `#00000${text.length}` } })],
] as const;

describe.each(chains)('gestures of %s', (_, path, start, of) => {
  const address = async () => `${api}/${(await newBrand({ mark: mark() })).slug}/${path}`;

  it('are appended, told by their ids, and lead back and forth', async () => {
    const at = await address();
    const [one, two] = [gesture(of('a')), gesture(of('ab'))];
    expect((await send(at, 'POST', { base: start, gestures: [one, two] })).value).toMatchObject({ revision: start + 2 });
    expect((await send(at, 'POST', { base: start + 2, gestures: [gesture(of('a'), 'undo')] })).status).toBe(201);
    const known = await read<{ known: object }>(`${at}?known=${[one.id, randomUUID(), two.id.toUpperCase()].join()}`);
    expect(known).toEqual({ known: { [one.id]: start + 1, [two.id]: start + 2 } });
    const { past, future, current } = await read<{ past: unknown[]; future: unknown[]; current: { revision: number } }>(at);
    expect([past.length, future.length, current.revision]).toEqual([1, 1, start + 3]);
  });

  it('are saved once, however often they are sent, in whatever letters their ids are', async () => {
    const at = await address();
    const one = gesture(of('a'));
    for (const id of [one.id, one.id, one.id.toUpperCase()])
      expect((await send(at, 'POST', { base: start, gestures: [{ ...one, id }] })).value).toMatchObject({ revision: start + 1 });
  });

  it('from an older version are refused with the newer one; ids of others and twice the same are refused as such', async () => {
    const at = await address();
    await send(at, 'POST', { base: start, gestures: [gesture(of('a'))] });
    const stale = await send<{ current: { revision: number } }>(at, 'POST', { base: start, gestures: [gesture(of('b'))] });
    expect([stale.status, stale.value.current.revision]).toEqual([409, start + 1]);
    const elsewhere = gesture(of('c'));
    await send(await address(), 'POST', { base: start, gestures: [elsewhere] });
    expect((await send(at, 'POST', { base: start + 1, gestures: [elsewhere] })).status).toBe(422);
    const twice = gesture(of('d'));
    expect((await send(at, 'POST', { base: start + 1, gestures: [twice, twice] })).status).toBe(422);
  });
});

describe('a new brand', () => {
  it('comes with its first mark, both or neither, and once however often it is asked for', async () => {
    const key = randomUUID();
    const [one, two] = [await newBrand({ key, mark: mark() }), await newBrand({ key, mark: mark() })];
    expect([two.slug, two.mark?.slug]).toEqual([one.slug, one.mark?.slug]);
    expect(await read<unknown[]>(`${api}/${one.slug}/marks`)).toHaveLength(1);
    const before = (await read<unknown[]>(api)).length;
    const stranger = {
      ...mark(),
      recipe: { version: 1, parts: [{ kind: 'linked', id: 'x', from: { mark: randomUUID(), part: 'name' } }] },
    };
    expect((await send(api, 'POST', { name: 'Half', palette, mark: stranger })).status).toBe(422);
    expect((await read<unknown[]>(api)).length).toBe(before);
  });

  it.each([...NAMES_OF_ANY_SCRIPT, '-', 'Ω'])('may be called %s, and so may its marks', async (name) => {
    const response = await fetch(api, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name, palette, mark: { ...mark(), name } }),
    });
    const made = (await response.json()) as { slug: string; name: string; mark: { slug: string } };
    expect([response.status, made.name]).toEqual([201, name]);
    expect([made.slug, made.mark.slug].join()).toMatch(/^[a-z0-9-]+,[a-z0-9-]+$/);
    expect(response.headers.get('location')).toBe(`/api/brands/${made.slug}`);
    const file = await fetch(`${api}/${made.slug}/marks/${made.mark.slug}/picture.svg?download=1`);
    expect([file.status, /filename="[a-z0-9_.-]+"/.test(file.headers.get('content-disposition') ?? '')]).toEqual([200, true]);
    expect((await fetch(`${app.url}/brands/${made.slug}/brief`)).status).toBe(200);
  });
});

describe('news', () => {
  it('tell every web process within a second that something moved on', async () => {
    const brand = await newBrand({ mark: mark() });
    const { id } = await read<{ id: string }>(`${api}/${brand.slug}/marks/primary`);
    const second = await app.another();
    try {
      const hear = async (url: string, subject: string) => {
        const stop = new AbortController();
        const response = await fetch(`${url}/api/events`, { signal: stop.signal });
        let text = '';
        const heard = (async () => {
          for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
            text += Buffer.from(chunk).toString();
            if (text.includes(subject)) return text;
          }
          return text;
        })();
        return { heard, stop: () => stop.abort() };
      };
      const listeners = [await hear(app.url, `mark:${id}`), await hear(second.url, `mark:${id}`)];
      await new Promise((resolve) => setTimeout(resolve, 500)); // Both have their connection that listens.
      await send(`${api}/${brand.slug}/marks/primary/revisions`, 'POST', { base: 1, gestures: [gesture({ recipe: nameRecipe('news') })] });
      for (const { heard, stop } of listeners) {
        expect(await heard).toContain('"revision":2');
        stop();
      }
    } finally {
      await second.stop();
    }
  });
});
