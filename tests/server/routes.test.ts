import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { nameRecipe, palette, read, recipeOf, send } from '../support/api';
import { startTestApp } from '../support/test-app';

let app: Awaited<ReturnType<typeof startTestApp>>;
let api: string;
beforeAll(async () => {
  app = await startTestApp();
  api = `${app.url}/api/brands`;
});
afterAll(() => app.stop());

interface MarkAnswer {
  readonly id: string;
  readonly slug: string;
  readonly revision: number;
  readonly recipe: { readonly parts: readonly Record<string, unknown>[] };
}
const newBrand = async (name: string) => (await send<{ slug: string }>(api, 'POST', { name, palette })).value.slug;
const newMark = async (brand: string, recipe: unknown, name = 'Primary') =>
  (await send<MarkAnswer>(`${api}/${brand}/marks`, 'POST', { name, role: 'primary', recipe })).value;
const gesture = (recipe: unknown, kind = 'edit', id = randomUUID()) => ({ id, kind, gesture: 'Type', recipe });

describe('brands', () => {
  it('load the three demo clients into an empty database', async () => {
    expect((await read<{ name: string }[]>(api)).map(({ name }) => name).slice(0, 3)).toEqual([
      'Windrow Kites',
      'Gorsebank Rowing Club',
      'Tidewrack Aerial',
    ]);
  });

  it('get addresses of their own even when they share a name, and even at the same moment', async () => {
    const slugs = await Promise.all(Array.from({ length: 5 }, () => newBrand('Salt & Sail')));
    expect(new Set(slugs).size).toBe(5);
    expect([...slugs].sort()[0]).toBe('salt-sail');
  });

  it('read colors as they are typed, and refuse what is none', async () => {
    const brand = await send<{ palette: { ink: string } }>(api, 'POST', { name: 'Typed', palette: { ...palette, ink: ' ABC ' } });
    expect(brand.value.palette.ink).toBe('#aabbcc');
    const refused = await send<{ detail: string }>(api, 'POST', { name: 'Typed', palette: { ...palette, lead: 'tomato' } });
    expect([refused.status, refused.type]).toEqual([422, 'application/problem+json']);
    expect(refused.value.detail).toContain('“lead”: expected a color code such as #22302a, but received “tomato”');
  });

  it('append palettes, and refuse a stale one without overwriting', async () => {
    const slug = await newBrand('Colors');
    expect((await send(`${api}/${slug}/palette`, 'PUT', { base: 1, colors: { ...palette, lead: '#000001' } })).status).toBe(200);
    const stale = await send<{ current: { colors: { lead: string } } }>(`${api}/${slug}/palette`, 'PUT', {
      base: 1,
      colors: { ...palette, lead: '#000002' },
    });
    expect([stale.status, stale.value.current.colors.lead]).toEqual([409, '#000001']);
    expect((await read<{ palette: { lead: string } }>(`${api}/${slug}`)).palette.lead).toBe('#000001');
  });
});

describe('bodies', () => {
  it.each([
    ['malformed JSON', '{"name": ', 400, 'malformed-json'],
    ['a list', '[]', 422, 'invalid-type'],
    ['an empty name', JSON.stringify({ name: '   ', palette }), 422, 'too-small'],
    ['an unknown field', JSON.stringify({ name: 'x', palette, admin: true }), 422, 'unrecognized-keys'],
    ['more than 6 MB', JSON.stringify({ name: 'x', about: 'y'.repeat(7_000_000), palette }), 413, 'body-too-large'],
  ])('with %s are refused with a typed problem', async (_what, body, status, code) => {
    const answer = await send<{ type: string; problems: { code: string }[] }>(api, 'POST', body);
    expect([answer.status, answer.type, answer.value.problems[0]?.code]).toEqual([status, 'application/problem+json', code]);
    expect(answer.value.type).toBe(`urn:lucky-thistle:problem:${code}`);
  });

  it('must say that they are JSON', async () => {
    const response = await fetch(api, { method: 'POST', headers: { 'content-type': 'text/plain', origin: app.url }, body: '{}' });
    expect(response.status).toBe(415);
  });
});

describe('marks', () => {
  it('keep every gesture as a revision, and know undo and redo after a reload', async () => {
    const brand = await newBrand('Undo');
    const mark = await newMark(brand, nameRecipe('One'));
    const address = `${api}/${brand}/marks/${mark.slug}/revisions`;
    await send(address, 'POST', {
      base: 1,
      gestures: [gesture(nameRecipe('Two')), gesture(nameRecipe('Three')), gesture(nameRecipe('Two'), 'undo')],
    });
    const steps = await read<Record<'past' | 'future', { recipe: { parts: { text: string }[] } }[]>>(address);
    const texts = (side: 'past' | 'future') => steps[side].map(({ recipe }) => recipe.parts[0]?.text);
    expect([texts('past'), texts('future')]).toEqual([['One'], ['Three']]);
  });

  it('refuse a stale save with the newer version at hand, and overwrite nothing', async () => {
    const brand = await newBrand('Stale');
    const { slug } = await newMark(brand, nameRecipe('One'));
    const address = `${api}/${brand}/marks/${slug}`;
    expect((await send(`${address}/revisions`, 'POST', { base: 1, gestures: [gesture(nameRecipe('Theirs'))] })).status).toBe(201);
    const stale = await send<{ detail: string; current: MarkAnswer }>(`${address}/revisions`, 'POST', {
      base: 1,
      gestures: [gesture(nameRecipe('Mine'))],
    });
    expect(stale.status).toBe(409);
    expect(stale.value.detail).toContain('nothing was overwritten');
    expect(stale.value.current.recipe.parts[0]?.['text']).toBe('Theirs');
    expect((await read<MarkAnswer>(address)).recipe.parts[0]?.['text']).toBe('Theirs');
  });

  it('let exactly one of twenty simultaneous saves win', async () => {
    const brand = await newBrand('Race');
    const { slug } = await newMark(brand, nameRecipe('One'));
    const answers = await Promise.all(
      Array.from({ length: 20 }, (_, n) =>
        send(`${api}/${brand}/marks/${slug}/revisions`, 'POST', { base: 1, gestures: [gesture(nameRecipe(`Try ${n}`))] }),
      ),
    );
    expect(answers.filter(({ status }) => status === 201)).toHaveLength(1);
    expect(answers.filter(({ status }) => status === 409)).toHaveLength(19);
    expect((await read<MarkAnswer>(`${api}/${brand}/marks/${slug}`)).revision).toBe(2);
  });

  it('recognize a save whose answer was lost and that is sent again', async () => {
    const brand = await newBrand('Again');
    const { slug } = await newMark(brand, nameRecipe('One'));
    const address = `${api}/${brand}/marks/${slug}/revisions`;
    const first = gesture(nameRecipe('Two'));
    await send(address, 'POST', { base: 1, gestures: [first] });
    const again = await send<{ revision: number }>(address, 'POST', { base: 1, gestures: [first, gesture(nameRecipe('Three'))] });
    expect([again.status, again.value.revision]).toEqual([201, 3]);
  });

  it('save all gestures of a request or none', async () => {
    const brand = await newBrand('Whole');
    const { slug } = await newMark(brand, nameRecipe('One'));
    const foreign = recipeOf({ kind: 'linked', id: 'l', from: { mark: randomUUID(), part: 'name' } });
    const answer = await send(`${api}/${brand}/marks/${slug}/revisions`, 'POST', {
      base: 1,
      gestures: [gesture(nameRecipe('Two')), gesture(foreign)],
    });
    expect(answer.status).toBe(422);
    expect((await read<MarkAnswer>(`${api}/${brand}/marks/${slug}`)).revision).toBe(1);
  });

  it('are not found, drawn or followed from another brand', async () => {
    const [mine, theirs] = [await newBrand('Mine'), await newBrand('Theirs')];
    const mark = await newMark(theirs, nameRecipe('Secret'), 'Hidden');
    for (const suffix of ['', '/picture.svg', '/picture.png', '/revisions'])
      expect((await fetch(`${api}/${mine}/marks/${mark.slug}${suffix}`)).status, suffix).toBe(404);
    const linked = await send<{ problems: { code: string }[] }>(`${api}/${mine}/marks`, 'POST', {
      name: 'Initial',
      role: 'submark',
      recipe: recipeOf({ kind: 'linked', id: 'l', from: { mark: mark.id, part: 'name' } }),
    });
    expect([linked.status, linked.value.problems[0]?.code]).toEqual([422, 'foreign-link']);
  });

  it('store parts of a newer version whole, through every save', async () => {
    const brand = await newBrand('Newer');
    const hologram = { kind: 'hologram', id: 'h', layers: [{ depth: 3.25, tint: 'opal' }] };
    const mark = await newMark(brand, { version: 1, parts: [hologram] });
    const stored = (await read<MarkAnswer>(`${api}/${brand}/marks/${mark.slug}`)).recipe.parts[0];
    expect(stored).toEqual(hologram);
  });

  it.each([
    ['size 0', { sizePx: 0 }],
    ['size -1', { sizePx: -1 }],
    ['size 1e9', { sizePx: 1e9 }],
    ['size null (what NaN becomes in JSON)', { sizePx: null }],
    ['NUL in the text', { text: 'a\u0000b' }],
  ])('refuse %s', async (_what, change) => {
    const brand = await newBrand('Bad');
    const part = { kind: 'lettering', id: 'name', text: 'x', font: { family: 'jost' }, ...change };
    expect(
      (await send(`${api}/${brand}/marks`, 'POST', { name: 'P', role: 'primary', recipe: { version: 1, parts: [part] } })).status,
    ).toBe(422);
  });

  it('without any ink have no picture, and say so', async () => {
    const brand = await newBrand('Empty');
    const { slug } = await newMark(brand, nameRecipe(''));
    const response = await fetch(`${api}/${brand}/marks/${slug}/picture.png`);
    expect([response.status, ((await response.json()) as { title: string }).title]).toEqual([
      422,
      'This mark draws nothing yet, so there is no picture of it.',
    ]);
  });

  it('with 200 letters, right-to-left and combining text are drawn', async () => {
    const brand = await newBrand('Texts');
    for (const text of ['W'.repeat(200), 'שלום', 'e\u0301\u0323a\u0308']) {
      const { slug } = await newMark(
        brand,
        recipeOf({ kind: 'lettering', id: 'name', text, font: { family: 'jost' }, fallback: 'noto-sans-hebrew' }),
      );
      expect((await fetch(`${api}/${brand}/marks/${slug}/picture.png?width=300`)).status, text.slice(0, 8)).toBe(200);
    }
  });
});

describe('derived marks', () => {
  it('change with the primary’s first letter, face and lead color, in both files; unchanged parts stay byte-equal', async () => {
    const brand = await newBrand('Family');
    const lead = { paint: { role: 'lead' } } as const;
    const primary = await newMark(brand, nameRecipe('Windrow', lead));
    const ring = {
      kind: 'shape',
      id: 'ring',
      form: { form: 'ring', widthPx: 300, heightPx: 300, bandPx: 6 },
      paint: { role: 'second' },
    } as const;
    const { slug } = await newMark(
      brand,
      recipeOf(ring, {
        kind: 'linked',
        id: 'initial',
        from: { mark: primary.id, part: 'name' },
        sizePx: 150,
        place: { x: 0, y: 50, turnDeg: 0 },
      }),
      'Initial',
    );
    const files = async () => {
      const svg = await (await fetch(`${api}/${brand}/marks/${slug}/picture.svg`)).text();
      const png = Buffer.from(await (await fetch(`${api}/${brand}/marks/${slug}/picture.png?width=300`)).arrayBuffer()).toString('base64');
      return { png, ring: /<g id="ring".*?<\/g>/.exec(svg)?.[0], initial: /<g id="initial".*?<\/g>/.exec(svg)?.[0] };
    };
    let before = await files();
    expect(before.ring).toContain('<path');
    const save = (base: number, recipe: unknown) =>
      send(`${api}/${brand}/marks/${primary.slug}/revisions`, 'POST', { base, gestures: [gesture(recipe)] });
    const changes: (() => Promise<unknown>)[] = [
      () => save(1, nameRecipe('Tindrow', lead)),
      () => save(2, nameRecipe('Tindrow', { ...lead, font: { family: 'cinzel' } })),
      () => send(`${api}/${brand}/palette`, 'PUT', { base: 1, colors: { ...palette, lead: '#123456' } }),
    ];
    for (const change of changes) {
      await change();
      const after = await files();
      expect(after.initial).not.toBe(before.initial);
      expect(after.png).not.toBe(before.png);
      expect(after.ring).toBe(before.ring);
      before = after;
    }
    expect(before.initial).toContain('#123456');
  });
});

describe('fonts', () => {
  it('are served unchanging, and nothing else is', async () => {
    const font = await fetch(`${app.url}/fonts/jost/jost-latin-wght-normal.woff2?v=1`);
    expect([font.status, font.headers.get('cache-control'), new DataView(await font.arrayBuffer()).getUint32(0)]).toEqual([
      200,
      'public, max-age=31536000, immutable',
      0x00010000,
    ]);
    expect((await fetch(`${app.url}/fonts/jost/LICENSE.txt`)).status).toBe(200);
    for (const path of ['..%2fpackage.json', 'jost/../../package.json', 'shipped.json', 'families.json', '..%2f..%2fetc%2fpasswd'])
      expect((await fetch(`${app.url}/fonts/${path}`)).status, path).toBe(404);
  });
});
