/** Measures every shipped face with the core and writes fonts/measures.json. Run it whenever the fonts or the definitions change. */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { catalogueEntry, expect, type CatalogueEntry, type ShippedFamily } from '../../src/core/index';
import { openTypeface, unpackFontFile } from '../../src/core/shaping/index';

const FONTS = new URL('../../fonts/', import.meta.url).pathname;
const families = JSON.parse(readFileSync(join(FONTS, 'shipped.json'), 'utf8')) as readonly ShippedFamily[];

const entries: Record<string, CatalogueEntry> = {};
for (const { file } of families.flatMap((family) => family.faces)) {
  const bytes = expect(await unpackFontFile(readFileSync(join(FONTS, file))));
  entries[file] = catalogueEntry(expect(openTypeface(file, bytes)));
}
const lines = Object.entries(entries).map(([file, entry]) => `${JSON.stringify(file)}: ${JSON.stringify(entry)}`);
writeFileSync(join(FONTS, 'measures.json'), `{\n${lines.join(',\n')}\n}\n`);
console.log(`${lines.length} faces measured.`);
