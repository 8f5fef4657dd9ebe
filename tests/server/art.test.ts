import { contactStarts } from '$core/index';
import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { read } from '../support/api';
import { startTestApp } from '../support/test-app';

let app: Awaited<ReturnType<typeof startTestApp>>;
beforeAll(async () => {
  app = await startTestApp();
});
afterAll(() => app.stop());

interface Found {
  readonly entries: readonly { readonly id: string }[];
  readonly total: number;
  readonly sets: readonly { readonly id: string; readonly license: string; readonly terms: { readonly says: string } }[];
}
interface Piece {
  readonly source: { readonly license: string; readonly author: string };
  readonly slots: readonly { readonly paint: object }[];
  readonly pieces: readonly { readonly data: string }[];
}
const post = async (query: string, body: string) => {
  const answer = await fetch(`${app.url}/api/brands/gorsebank-rowing-club/art?${query}`, {
    method: 'POST',
    body,
    headers: { 'content-type': 'image/svg+xml', origin: app.url },
  });
  return { status: answer.status, value: (await answer.json()) as { part?: Piece; left?: readonly string[]; detail?: string } };
};

describe('the art library', () => {
  it('is searched with its collections and their rights', async () => {
    const found = await read<Found>(`${app.url}/api/art?text=heron`);
    expect(found.entries[0]?.id).toContain('heron');
    expect(found.sets.length).toBeGreaterThanOrEqual(5);
    expect(found.sets.every(({ license, terms }) => license !== 'unknown' && terms.says.length > 20)).toBe(true);
    expect((await fetch(`${app.url}/api/art?limit=9999`)).status).toBe(422);
  });

  it('hands out pieces as parts in the brand’s roles, and small pictures of them', async () => {
    const piece = await read<Piece>(`${app.url}/api/art/game-icons/heron?brand=gorsebank-rowing-club`);
    expect(piece.source).toMatchObject({ license: 'CC-BY-3.0' });
    expect(piece.slots.every(({ paint }) => 'role' in paint)).toBe(true);
    const picture = await fetch(`${app.url}/api/art/game-icons/heron/picture.svg?color=%23aa0000`);
    expect(picture.headers.get('content-security-policy')).toBe("default-src 'none'");
    expect(await picture.text()).toMatch(/^<svg [^>]*><title>Heron<\/title><g id="piece"><path fill="#aa0000"/);
    for (const { art } of contactStarts()) expect([art, (await fetch(`${app.url}/api/art/${art}`)).status]).toEqual([art, 200]);
    expect((await fetch(`${app.url}/api/art/game-icons/no-such-thing`)).status).toBe(404);
    expect((await fetch(`${app.url}/api/art/..%2F..%2Fetc/passwd`)).status).toBe(404);
    expect((await fetch(`${app.url}/api/art/game-icons/heron/picture.svg?color=red%22onload`)).status).toBe(422);
  });

  it('takes in drawings made elsewhere, says what was left out, and refuses hostile ones with the reason', async () => {
    const read = await post(
      'title=Sign&author=Us&license=client',
      '<svg xmlns="http://www.w3.org/2000/svg"><script>1</script><rect width="4" height="3" fill="#1f3556"/></svg>',
    );
    expect(read.status).toBe(200);
    expect(read.value.left).toEqual(['a script']);
    expect(read.value.part?.slots).toHaveLength(1);
    const bomb = await post('', '<!DOCTYPE svg [<!ENTITY a "a">]><svg/>');
    expect([bomb.status, bomb.value.detail]).toEqual([422, 'This drawing defines entities of its own, which can hide almost anything.']);
    expect((await post('license=mine', '<svg/>')).status).toBe(422);
    expect((await post('', ' '.repeat(7 * 1024 * 1024))).status).toBe(413);
  });

  it('shows the club’s crest, drawn on the server, with its rights inside', async () => {
    const svg = await (await fetch(`${app.url}/api/brands/gorsebank-rowing-club/marks/crest/picture.svg`)).text();
    expect(svg).toContain('copy-1-of-heron');
    expect(svg).toContain('“Heron” by');
  });
});

describe('the library room', () => {
  it('shows every family in its own letters and every collection, each with what its license allows', async () => {
    const page = await (await fetch(`${app.url}/library`)).text();
    const families = JSON.parse(readFileSync('fonts/shipped.json', 'utf8')) as readonly { readonly id: string; readonly name: string }[];
    for (const { id, name } of families) {
      expect(page).toContain(`aria-label="${name}"`);
      expect(page).toContain(`href="/fonts/${id}/LICENSE.txt"`);
      expect(page).toMatch(new RegExp(`<g id="library-${id}"[^>]*>(?:<!--.*?-->)*<path`));
    }
    expect((await fetch(`${app.url}/fonts/${families[0]?.id}/LICENSE.txt`)).status).toBe(200);
    const entries = JSON.parse(readFileSync('art/catalogue.json', 'utf8')) as readonly object[];
    expect(page).toContain(`${entries.length.toLocaleString('en')} pieces of art`);
    expect(page).toContain('may be sold with, naming the author · not to be registered');
  });
});
