import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { boundsOf, expect as valueOf, type Typeface } from '$core/index';
import { openTypeface } from '$core/shaping';
import { fontBytes, shipped } from '../support/fonts';

// The independent instancer is fontTools' (Debian python3-fonttools): it makes static fonts, rounding every point to a whole unit.
const JOBS = ['jost', 'outfit', 'oswald', 'roboto-slab', 'vollkorn', 'league-spartan', 'comfortaa', 'orbitron'].flatMap((id) => [
  { id, wght: 450 },
  { id, wght: 700 },
]);
const LETTERS = [...'HOWnoaegS&'];

interface Instance {
  readonly points: readonly number[];
  readonly advance: number;
}
const folder = mkdtempSync('/tmp/lucky-instances-');
const faces = new Map<string, Typeface>();
let theirs: readonly Readonly<Record<string, Instance>>[];
beforeAll(async () => {
  for (const { id } of JOBS) {
    const bytes = await fontBytes(shipped.find((family) => family.id === id)?.faces[0]?.file ?? '');
    writeFileSync(`${folder}/${id}.ttf`, bytes);
    faces.set(id, valueOf(openTypeface(id, bytes)));
  }
  const input = JSON.stringify(JOBS.map(({ id, wght }) => ({ file: `${folder}/${id}.ttf`, axes: { wght }, letters: LETTERS })));
  theirs = JSON.parse(
    execFileSync('/usr/bin/python3', ['tests/reference/dump-instances.py'], { input, encoding: 'utf8', maxBuffer: 1 << 28 }),
  ) as typeof theirs;
});
afterAll(() => rmSync(folder, { recursive: true }));

describe('outlines of variable instances equal an independent instancer’s within one unit', () => {
  it.each(JOBS.map((job, index) => [job.id, job.wght, index] as const))('%s at weight %i', (id, wght, index) => {
    const instance = faces.get(id)?.at({ wght });
    if (!instance) throw new Error(`${id} was not opened`);
    for (const letter of LETTERS) {
      const [shaped] = instance.shape({ text: letter, direction: 'ltr', script: 'Latn', features: {} });
      const outline = instance.outline(shaped?.glyph ?? 0);
      const other = theirs[index]?.[letter];
      expect(Math.abs((shaped?.advance ?? NaN) - (other?.advance ?? NaN)), letter).toBeLessThanOrEqual(1);
      // Contours begin elsewhere in the two, so the points are compared as sets: each of theirs has one of ours within a unit across and up.
      const ours = Array.from({ length: outline.coords.length / 2 }, (_, n) => ({
        x: outline.coords[2 * n] as number,
        y: -(outline.coords[2 * n + 1] as number),
      }));
      const points = other?.points ?? [];
      for (let n = 0; n < points.length; n += 2) {
        const [x, y] = [points[n] as number, points[n + 1] as number];
        expect(
          ours.some((point) => Math.abs(point.x - x) <= 1.01 && Math.abs(point.y - y) <= 1.01),
          `${letter} ${x},${y}`,
        ).toBe(true);
      }
      expect(boundsOf(outline), letter).toBeDefined();
    }
  });
});
