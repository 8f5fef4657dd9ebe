import { readFileSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { createResolver, expect, type CatalogueEntry, type Resolver, type ShippedFamily } from '$core/index';
import { createFontLoader, unpackFontFile, type FontLoader } from '$core/shaping';

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
  const kept = unpacked.get(file) ?? readFile(join(FONT_FOLDER, file)).then(async (bytes) => expect(await unpackFontFile(bytes)));
  unpacked.set(file, kept);
  return kept;
}

/** The license text of a family. */
export const licenseText = (family: string): Promise<string> | undefined =>
  shippedFamilies().some((shipped) => shipped.id === family) ? readFile(join(FONT_FOLDER, family, 'LICENSE.txt'), 'utf8') : undefined;

let opened: { readonly loader: FontLoader; readonly resolver: Resolver } | undefined;

/** This process's fonts, opened when first needed, and the resolver that draws with them. */
export function fonts(): { readonly loader: FontLoader; readonly resolver: Resolver } {
  if (opened) return opened;
  const loader = createFontLoader(shippedFamilies(), (face) => fontData(face.file) as Promise<Uint8Array>);
  opened = { loader, resolver: createResolver(loader.shelf) };
  return opened;
}

let measured: Readonly<Record<string, CatalogueEntry>> | undefined;

/** What was measured in every shipped face, by file. */
export const catalogue = (): Readonly<Record<string, CatalogueEntry>> =>
  (measured ??= JSON.parse(readFileSync(join(FONT_FOLDER, 'measures.json'), 'utf8')) as Readonly<Record<string, CatalogueEntry>>);
