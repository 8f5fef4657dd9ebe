import { readFile } from 'node:fs/promises';
import { readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import {
  createFontShelf,
  createResolver,
  expect,
  openTypeface,
  unpackFontFile,
  type FontShelf,
  type Resolver,
  type ShippedFamily,
  type Typeface,
} from '$core/index';

/** Where the shipped fonts lie; the app is started from the project's folder. */
const FONT_FOLDER = resolve(process.env['FONT_FOLDER'] ?? 'fonts');

let families: readonly ShippedFamily[] | undefined;

/** Every shipped family with its source and license. */
export const shippedFamilies = (): readonly ShippedFamily[] =>
  (families ??= JSON.parse(readFileSync(join(FONT_FOLDER, 'shipped.json'), 'utf8')) as readonly ShippedFamily[]);

const unpacked = new Map<string, Promise<Uint8Array>>();

/** The plain font data of a shipped face file; `undefined` for any name that is not shipped. */
export function fontData(file: string): Promise<Uint8Array> | undefined {
  if (!shippedFamilies().some((family) => family.faces.some((face) => face.file === file))) return undefined;
  const kept = unpacked.get(file) ?? readFile(join(FONT_FOLDER, file)).then(unpackFontFile).then(expect);
  unpacked.set(file, kept);
  return kept;
}

/** The license text of a family. */
export const licenseText = (family: string): Promise<string> | undefined =>
  shippedFamilies().some((shipped) => shipped.id === family) ? readFile(join(FONT_FOLDER, family, 'LICENSE.txt'), 'utf8') : undefined;

async function openAll(): Promise<{ readonly shelf: FontShelf; readonly resolver: Resolver }> {
  const open = new Map<string, Typeface>();
  for (const family of shippedFamilies())
    for (const face of family.faces) open.set(face.file, expect(openTypeface(face.file, (await fontData(face.file)) as Uint8Array)));
  const shelf = createFontShelf(shippedFamilies(), open);
  return { shelf, resolver: createResolver(shelf) };
}

let opened: ReturnType<typeof openAll> | undefined;

/** All shipped fonts, opened once per process, with the resolver that draws with them. */
export const openFonts = () => (opened ??= openAll());
