import { readFileSync } from 'node:fs';
import { createFontShelf, expect, type FontShelf, type ShippedFamily, type Typeface } from '$core/index';
import { openTypeface, unpackFontFile } from '$core/shaping';

export const shipped = JSON.parse(readFileSync('fonts/shipped.json', 'utf8')) as readonly ShippedFamily[];

/** The plain data of a shipped face file. */
export const fontBytes = async (file: string): Promise<Uint8Array> => expect(await unpackFontFile(readFileSync(`fonts/${file}`)));

/** A shelf with the named families open. */
export async function shelfOf(...ids: readonly string[]): Promise<FontShelf> {
  const open = new Map<string, Typeface>();
  for (const family of shipped.filter(({ id }) => ids.includes(id)))
    for (const { file } of family.faces) open.set(file, expect(openTypeface(file, await fontBytes(file))));
  return createFontShelf(shipped, open);
}
