import { readFileSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { join, resolve } from 'node:path';
import {
  createDresser,
  createResolver,
  expect,
  type CatalogueEntry,
  type Dresser,
  type PathAlgebra,
  type Resolver,
  type ShippedFamily,
} from '$core/index';
import { createFontLoader, unpackFontFile, type FontLoader } from '$core/shaping';
import { flattenedAlgebra, openPathAlgebra } from '$core/pathops';
import { storedFile } from './files';

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
  // What could not be read this time may be readable the next.
  kept.catch(() => unpacked.delete(file));
  return kept;
}

/** The license text of a family. */
export const licenseText = (family: string): Promise<string> | undefined =>
  shippedFamilies().some((shipped) => shipped.id === family) ? readFile(join(FONT_FOLDER, family, 'LICENSE.txt'), 'utf8') : undefined;

/** The path library, opened once for this process. */
let algebra: Promise<PathAlgebra> | undefined;
export const pathAlgebra = (): Promise<PathAlgebra> =>
  (algebra ??= readFile(createRequire(import.meta.url).resolve('pathkit-wasm/bin/pathkit.wasm'))
    .then(openPathAlgebra)
    .catch((error: unknown) => {
      algebra = undefined;
      throw error;
    }));

interface OpenedFonts {
  readonly loader: FontLoader;
  readonly resolver: Resolver;
  readonly dresser: Dresser;
}

/** Opened fonts by the set of a client's own that come with them; the oldest set goes first. */
const opened = new Map<string, OpenedFonts>();
const SETS_KEPT = 12;

const OWN_FILE = /^brands\/[^/]+\/([0-9a-f]{64})$/;
const bytesOf = (file: string): Promise<Uint8Array> => {
  const own = OWN_FILE.exec(file)?.[1];
  return own ? storedFile(own) : (fontData(file) as Promise<Uint8Array>);
};

/** This process's fonts, opened when first needed, and the resolver that draws with them; with a brand's own fonts, for that brand. */
export async function fonts(own: readonly ShippedFamily[] = []): Promise<OpenedFonts> {
  const paths = await pathAlgebra();
  const key = own.map(({ id }) => id).join();
  const kept = opened.get(key);
  if (kept) return kept;
  const loader = createFontLoader([...shippedFamilies(), ...own], (face) => bytesOf(face.file));
  const fresh = { loader, resolver: createResolver(loader.shelf, paths), dresser: createDresser(paths, flattenedAlgebra) };
  const oldest = opened.keys().next();
  if (opened.size >= SETS_KEPT && !oldest.done) opened.delete(oldest.value);
  opened.set(key, fresh);
  return fresh;
}

let measured: Readonly<Record<string, CatalogueEntry>> | undefined;

/** What was measured in every shipped face, by file. */
export const catalogue = (): Readonly<Record<string, CatalogueEntry>> =>
  (measured ??= JSON.parse(readFileSync(join(FONT_FOLDER, 'measures.json'), 'utf8')) as Readonly<Record<string, CatalogueEntry>>);
