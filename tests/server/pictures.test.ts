import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { PNG } from 'pngjs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startTestApp } from '../support/test-app';

let app: Awaited<ReturnType<typeof startTestApp>>;
beforeAll(async () => {
  app = await startTestApp();
});
afterAll(() => app.stop());

const fetchPng = async (query: string) => {
  // A connection of its own: a large picture before may have outlived the idle time of a shared one.
  const response = await fetch(`${app.url}/api/brands/windrow-kites/marks/primary/picture.png?${query}`, {
    headers: { connection: 'close' },
  });
  expect(response.status).toBe(200);
  return Buffer.from(await response.arrayBuffer());
};

describe('PNG pictures', () => {
  it('are transparent outside the ink and reach all four edges of a tight file', async () => {
    const { width, height, data } = PNG.sync.read(await fetchPng('width=800'));
    expect(width).toBe(800);
    const alpha = (x: number, y: number) => data[(y * width + x) * 4 + 3] as number;
    expect([alpha(0, height - 1), alpha(width - 1, height - 1)]).toEqual([0, 0]);
    const column = (x: number) => Math.max(...Array.from({ length: height }, (_, y) => alpha(x, y)));
    const row = (y: number) => Math.max(...Array.from({ length: width }, (_, x) => alpha(x, y)));
    for (const edge of [column(0), column(width - 1), row(0), row(height - 1)]) expect(edge).toBeGreaterThan(0);
  });

  it.each([16, 17, 999, 4500, 12_000])('have exactly the asked width of %i px', async (widthPx) => {
    expect(PNG.sync.read(await fetchPng(`width=${widthPx}`)).width).toBe(widthPx);
  });

  // The second reader is pngcheck (Debian), which verifies every chunk and its CRC. Units: W3C PNG (Third Edition), 11.3.4.3.
  it.each([
    ['dpi=300', 11811],
    ['widthMm=80', 10000],
  ])('carry their physical size when asked for with %s', async (query, perMetre) => {
    const file = `${mkdtempSync('/tmp/lucky-')}/picture.png`;
    writeFileSync(file, await fetchPng(`width=800&${query}`));
    const report = execFileSync('pngcheck', ['-v', file], { encoding: 'utf8' });
    expect(report).toContain(`pHYs at offset 0x00025, length 9: ${perMetre}x${perMetre} pixels/meter`);
    expect(report).toContain('No errors detected');
  });

  it.each(['width=15', 'width=12001', 'width=0', 'width=-1', 'width=NaN', 'width=1e9', 'width=10.5', 'dressing=loud', 'colour=red'])(
    'refuse %s with a sentence',
    async (query) => {
      // A connection of its own: a large picture before may have outlived the idle time of a shared one.
      const response = await fetch(`${app.url}/api/brands/windrow-kites/marks/primary/picture.png?${query}`, {
        headers: { connection: 'close' },
      });
      expect(response.status).toBe(422);
      expect(response.headers.get('content-type')).toBe('application/problem+json');
      expect((await response.json()).detail).toMatch(/expected|not known/);
    },
  );
});
