import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { catalogueEntry, expect as valueOf, type CatalogueEntry } from '$core/index';
import { openTypeface } from '$core/shaping';
import { fontBytes, shipped } from '../../../support/fonts';

const stored = JSON.parse(readFileSync('fonts/measures.json', 'utf8')) as Record<string, CatalogueEntry>;

describe('the shipped catalogue', () => {
  it('has every shipped face, and nothing else', () => {
    expect(Object.keys(stored).sort()).toEqual(shipped.flatMap((family) => family.faces.map(({ file }) => file)).sort());
  });

  it('holds what the core measures today, for every seventh face', async () => {
    for (const [index, file] of Object.keys(stored).entries()) {
      if (index % 7 !== 0) continue;
      const entry = catalogueEntry(valueOf(openTypeface(file, await fontBytes(file))));
      expect(JSON.parse(JSON.stringify(entry)), file).toEqual(stored[file]);
    }
  });

  it('has at least 60 families, 15 of them variable, all with a license on record', () => {
    expect(shipped.length).toBeGreaterThanOrEqual(60);
    expect(shipped.filter(({ faces: [face] }) => (stored[face?.file ?? '']?.axes.length ?? 0) > 0).length).toBeGreaterThanOrEqual(15);
    for (const family of shipped) expect(readFileSync(`fonts/${family.id}/LICENSE.txt`, 'utf8').length, family.id).toBeGreaterThan(1000);
  });
});
