import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import {
  createPart,
  EMPTY_RECIPE,
  STARTING_PALETTE,
  expect as valueOf,
  type PartLook,
  type Picture,
  type Recipe,
  RECIPE_VERSION,
} from '$core/index';
import { bringIn, UNSAID } from '../../src/lib/marks/table/bring-in';
import { copied, pasted } from '../../src/lib/marks/table/clipboard';
import { keepLook, keptLook } from '../../src/lib/marks/table/kept-look';
import { laid, placedNew } from '../../src/lib/marks/table/place-new';
import { letteringInput, partOf } from '../support/drawn-mark';

const SHA = 'cd'.repeat(32);
const piece = { kind: 'picture' as const, sha256: SHA, fileWidthPx: 400, fileHeightPx: 200, source: { title: 'Jetty' } };
const ink = { left: -100, top: -50, right: 300, bottom: 150 };

describe('new pieces on the table', () => {
  it('stand above the mark, or inside of a backing, half as large as it; alone they have their own size', () => {
    expect(placedNew(EMPTY_RECIPE, piece, ink)).toMatchObject({ place: { x: 100, y: -50 - 124 }, sizePx: 200 });
    const behind = (form: object) => ({
      version: RECIPE_VERSION,
      parts: [valueOf(createPart({ kind: 'shape', id: 'back', form: form as never }))],
    });
    const inside = placedNew(behind({ form: 'heaterShield', widthPx: 400, heightPx: 200 }), piece, ink);
    expect(inside).toMatchObject({ place: { x: 100, y: 50 }, sizePx: 200 });
    // A rule is as wide, but lies behind nothing.
    const ruled = placedNew(behind({ form: 'panel', widthPx: 400, heightPx: 2, cornerPx: 0 }), piece, ink);
    expect(ruled).toMatchObject({ place: { x: 100, y: -174 } });
    expect(placedNew(EMPTY_RECIPE, piece, undefined)).toMatchObject({ place: { x: 0, y: 0 }, sizePx: 240 });
    const taken: Recipe = { version: RECIPE_VERSION, parts: [placedNew(EMPTY_RECIPE, piece, ink)] };
    expect(placedNew(taken, piece, ink).id).not.toBe(taken.parts[0]?.id);
  });

  it('to look at lie beside the work without touching it, or under its middle, faded', () => {
    const part = placedNew(EMPTY_RECIPE, piece, ink) as Picture;
    const beside = laid(part, 'beside', ink);
    expect(beside.place.x - part.sizePx / 2).toBeGreaterThan(ink.right);
    expect([beside.place.y, beside.opacity]).toEqual([50, 1]);
    expect(laid(part, 'under', ink)).toEqual({ place: { ...part.place, x: 100, y: 50 }, opacity: 0.5 });
    // Upright pictures are narrower than they are long.
    const upright = { ...part, fileWidthPx: 100, fileHeightPx: 400 };
    expect(laid(upright, 'beside', ink).place.x).toBeLessThan(beside.place.x);
  });

  it('from the clipboard let go of a curve that did not come along, and keep one that did', () => {
    const line = { shape: 'curve' as const, points: [], along: { part: 'bow' } };
    const bow = valueOf(
      createPart({
        kind: 'curve',
        id: 'bow',
        points: [
          { x: 0, y: 0 },
          { x: 9, y: 0 },
        ],
      }),
    );
    const recipe: Recipe = { version: RECIPE_VERSION, parts: [bow, partOf(letteringInput({ line }))] };
    const lineOf = (result: ReturnType<typeof pasted>) => {
      const part = valueOf(result)?.recipe.parts.find(({ kind }) => kind === 'lettering');
      return part?.kind === 'lettering' && part.line.shape === 'curve' ? part.line.along : undefined;
    };
    const from = { brand: 'here', mark: 'm1', palette: STARTING_PALETTE, sources: new Map() };
    const to = (mark: string) => ({ mark, brand: 'here', palette: STARTING_PALETTE });
    expect(lineOf(pasted(EMPTY_RECIPE, copied(recipe, ['name'], from), to('m2')))).toBeNull();
    // A curve that is called alike elsewhere is a stranger; in its own mark it is the same one.
    expect(lineOf(pasted({ version: RECIPE_VERSION, parts: [bow] }, copied(recipe, ['name'], from), to('m2')))).toBeNull();
    expect(lineOf(pasted({ version: RECIPE_VERSION, parts: [bow] }, copied(recipe, ['name'], from), to('m1')))).toEqual({
      part: 'bow',
      offPx: 0,
    });
    const both = valueOf(pasted({ version: RECIPE_VERSION, parts: [bow] }, copied(recipe, ['bow', 'name'], from), to('m2')));
    expect(both?.ids).toHaveLength(2);
    expect(lineOf(pasted({ version: RECIPE_VERSION, parts: [bow] }, copied(recipe, ['bow', 'name'], from), to('m2')))).toEqual({
      part: both?.ids[0],
      offPx: 0,
    });
  });
});

describe('a copied look', () => {
  const kept = new Map<string, string>();
  beforeEach(() =>
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, text: string) => kept.set(key, text),
    }),
  );
  afterEach(() => {
    vi.unstubAllGlobals();
    kept.clear();
  });

  it('is there again on another mark; what is not understood is none', () => {
    expect(keptLook(STARTING_PALETTE)).toBeUndefined();
    const look: PartLook = { paints: [{ role: 'lead' }, { hex: '#aa2211' }], opacity: 0.5, blend: 'multiply' };
    keepLook(look, STARTING_PALETTE);
    expect(keptLook(STARTING_PALETTE)).toEqual(look);
    for (const broken of [
      '{',
      '7',
      '{"paints":[{"role":"loudest"}],"opacity":1,"blend":"normal"}',
      '{"paints":[],"opacity":9,"blend":"normal"}',
    ]) {
      kept.set([...kept.keys()][0] ?? '', broken);
      expect(keptLook(STARTING_PALETTE), broken).toBeUndefined();
    }
  });
});

describe('files that are brought in', () => {
  const asked: { address: string; type: string }[] = [];
  const answering = (status: number, body: unknown) =>
    vi.stubGlobal('fetch', (address: string, { headers }: { headers: Record<string, string> }) => {
      asked.push({ address, type: headers['content-type'] ?? '' });
      return Promise.resolve(new Response(JSON.stringify(body), { status }));
    });
  afterEach(() => {
    vi.unstubAllGlobals();
    asked.length = 0;
  });

  it('go where they belong by what they are: drawings are read, pictures stored, with what is said of them', async () => {
    answering(200, { part: { kind: 'art' }, left: ['a mask'] });
    const drawing = await bringIn('ours', new File(['<svg/>'], 'Oar & blade.SVG'), { author: 'A. Member', license: 'client' });
    expect(valueOf(drawing).left).toEqual(['a mask']);
    answering(201, { sha256: SHA, widthPx: 40, heightPx: 30 });
    const picture = await bringIn('ours', new File(['…'], 'jetty.photo.jpeg', { type: 'image/jpeg' }), UNSAID);
    expect(valueOf(picture).part).toMatchObject({
      kind: 'picture',
      sha256: SHA,
      fileWidthPx: 40,
      source: { title: 'jetty.photo', license: 'unknown' },
    });
    expect(asked).toEqual([
      { address: '/api/brands/ours/art?title=Oar+%26+blade&author=A.+Member&license=client', type: 'image/svg+xml' },
      { address: '/api/brands/ours/pictures?name=jetty.photo.jpeg&for=mark', type: 'image/jpeg' },
    ]);
  });

  it('that are refused say why; a dead server is an answer too', async () => {
    answering(422, { problems: [{ code: 'not-a-picture', message: 'No.' }] });
    expect(await bringIn('ours', new File(['x'], 'x.png'), UNSAID)).toEqual({
      ok: false,
      problems: [{ code: 'not-a-picture', message: 'No.' }],
    });
    vi.stubGlobal('fetch', () => Promise.reject(new Error('gone')));
    const dead = await bringIn('ours', new File(['x'], 'x.png'), UNSAID);
    expect(dead.ok ? '' : dead.problems[0]?.code).toBe('server-down');
  });
});
