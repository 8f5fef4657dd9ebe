import { describe, expect, it } from 'vitest';
import { dress, expect as valueOf, parseRecipe, writeRecipe } from '$core/index';
import { demoBrands } from '../../src/lib/server/demo/brands';
import { recipeOf } from '../../src/lib/server/demo/load';
import { shorePictures } from '../../src/lib/server/demo/board';
import { problemResponse } from '../../src/lib/server/http/answer';
import { asRefusal, isDatabaseDown } from '../../src/lib/server/http/refusals';
import { refuse } from '../../src/lib/server/http/problem-error';
import { freeSlug, slugOf } from '../../src/lib/server/stores/slug';
import { shelfOf } from '../support/fonts';
import { resolverOf } from '../support/resolver';

describe('slugOf', () => {
  it.each([
    ['Windrow Kites', 'windrow-kites'],
    ['  Café “Über” & Søn ', 'cafe-uber-son'],
    ['!!!', ''],
    ['🌿🪁', ''],
    ['東京堂', 'dong-jing-tang'],
    ['../../etc/passwd', 'etc-passwd'],
    ['Пекарня', 'pekarnya'],
    ['x'.repeat(200), 'x'.repeat(60)],
  ])('%j becomes %s', (name, slug) => expect(slugOf(name)).toBe(slug));

  it('counts up until it is free', () => {
    expect(freeSlug('Salt', new Set())).toBe('salt');
    expect(freeSlug('Salt', new Set(['salt', 'salt-2']))).toBe('salt-3');
    expect(freeSlug('🌿', new Set())).toMatch(/^n-[0-9a-f]{6}$/);
  });
});

describe('refusals', () => {
  it.each([
    [Object.assign(new Error('x'), { code: 'ECONNREFUSED' }), true],
    [new Error('outer', { cause: Object.assign(new Error('inner'), { code: '57P01' }) }), true],
    [new AggregateError([Object.assign(new Error('x'), { code: 'ECONNREFUSED' })]), true],
    [new Error('Connection terminated unexpectedly'), true],
    [Object.assign(new Error('duplicate key'), { code: '23505' }), false],
    [new Error('plain'), false],
    [undefined, false],
  ])('%s is a dead database: %s', (error, down) => expect(isDatabaseDown(error)).toBe(down));

  it('are answered as typed problems, and never cached', async () => {
    const response = problemResponse(refuse(409, 'stale-save', 'It moved on.', 'Look again.'));
    expect([response.status, response.headers.get('content-type'), response.headers.get('cache-control')]).toEqual([
      409,
      'application/problem+json',
      'no-store',
    ]);
    expect(await response.json()).toEqual({
      type: 'urn:lucky-thistle:problem:stale-save',
      title: 'It moved on.',
      status: 409,
      detail: 'It moved on.',
      problems: [{ code: 'stale-save', message: 'It moved on.', fix: 'Look again.' }],
    });
    expect(asRefusal(Object.assign(new Error('x'), { code: 'ECONNREFUSED' })).status).toBe(503);
  });
});

describe('the demo world', () => {
  const PRIMARY = 'a0a0a0a0-0000-4000-8000-000000000001';

  it('is three made-up clients whose marks are stored as recipes and draw without notices', async () => {
    const shelf = await shelfOf('josefin-sans', 'cinzel', 'italiana', 'cormorant', 'alfa-slab-one');
    expect(demoBrands.map(({ name }) => name)).toEqual(['Windrow Kites', 'Gorsebank Rowing Club', 'Tidewrack Aerial']);
    for (const { marks, palette, name } of demoBrands) {
      const primary = marks[0]?.recipe(PRIMARY, new Map()) ?? valueOf(parseRecipe({ version: 1, parts: [] }));
      const sources = new Map([[PRIMARY, primary]]);
      for (const mark of marks) {
        const made = await recipeOf(mark, new Map(), mark === marks[0] ? undefined : { id: PRIMARY, recipe: primary }, palette);
        const recipe = valueOf(parseRecipe(JSON.parse(JSON.stringify(writeRecipe(made)))));
        const resolved = resolverOf(shelf).resolve({ recipe, sources, dress: dress(palette, 'full') });
        expect(resolved.ink, `${name} ${mark.name}`).toBeDefined();
        expect(
          resolved.parts.flatMap(({ notices }) => notices),
          `${name} ${mark.name}`,
        ).toEqual([]);
      }
    }
  });

  it('has pictures of our own drawing only', () => {
    for (const { svg } of shorePictures) expect(svg).not.toMatch(/<image|href|url\(http/);
  });
});
