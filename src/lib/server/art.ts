import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join, resolve } from 'node:path';
import {
  createArtIndex,
  IDENTITY,
  joinPaths,
  mapPath,
  setLine,
  termsOf,
  toSvg,
  type ArtEntry,
  type ArtFound,
  type ArtIndex,
  type ArtQuery,
  type ArtSource,
  type Hex,
  type KnownInput,
  type Palette,
  type ShippedFamily,
} from '$core/index';
import { asArt, importSvg, type ImportedDrawing, type SetWords } from '$core/svg-import';
import { fonts, pathAlgebra, shippedFamilies } from './fonts';
import { ProblemError } from './http/problem-error';

/** Where the list of the shipped art lies; the app is started from the project's folder. */
const ART_FOLDER = resolve(process.env['ART_FOLDER'] ?? 'art');
const require = createRequire(import.meta.url);

/** A collection of art with its rights. */
export interface ArtSet {
  readonly id: string;
  readonly label: string;
  readonly author: string;
  /** An SPDX name. */
  readonly license: string;
  readonly address: string;
}
interface SetRow {
  readonly id: string;
  readonly label: string;
  readonly package: string;
}
interface IconFile {
  readonly icons: Readonly<Record<string, { readonly body: string; readonly width?: number; readonly height?: number }>>;
  readonly width?: number;
  readonly height?: number;
}
interface InfoFile {
  readonly author?: { readonly name: string; readonly url?: string };
  readonly license?: { readonly spdx?: string };
}

const read = <T>(path: string): T => JSON.parse(readFileSync(path, 'utf8')) as T;

interface Library {
  readonly entries: readonly ArtEntry[];
  readonly index: ArtIndex;
  readonly ids: ReadonlySet<string>;
  readonly sets: readonly ArtSet[];
  readonly icons: (set: string) => IconFile;
}

let opened: Library | undefined;
function library(): Library {
  if (opened) return opened;
  const rows = read<readonly SetRow[]>(join(ART_FOLDER, 'sets.json'));
  const entries = read<readonly ArtEntry[]>(join(ART_FOLDER, 'catalogue.json'));
  const sets = rows.map(({ id, label, package: from }): ArtSet => {
    const info = read<InfoFile>(require.resolve(`${from}/info.json`));
    // A collection without its license is still shown; it counts as not known.
    return { id, label, author: info.author?.name ?? '', license: info.license?.spdx ?? 'unknown', address: info.author?.url ?? '' };
  });
  const files = new Map<string, IconFile>();
  opened = {
    entries,
    index: createArtIndex(entries),
    ids: new Set(entries.map(({ id }) => id)),
    sets,
    icons: (set) => {
      const from = rows.find(({ id }) => id === set)?.package ?? '';
      const kept = files.get(set) ?? read<IconFile>(require.resolve(`${from}/icons.json`));
      files.set(set, kept);
      return kept;
    },
  };
  return opened;
}

export const artSets = (): readonly (ArtSet & { readonly terms: ReturnType<typeof termsOf> })[] =>
  library().sets.map((set) => ({ ...set, terms: termsOf(set.license) }));

/** What a collection holds. */
export interface SetTally {
  readonly pieces: number;
  /** Pieces by style. */
  readonly styles: Readonly<Record<string, number>>;
  /** A few of them, far apart in the list. */
  readonly samples: readonly string[];
}
const SAMPLES = 7;
export function artTally(set: string): SetTally {
  const entries = library().entries.filter(({ id }) => id.startsWith(`${set}/`));
  const styles: Record<string, number> = {};
  for (const { style } of entries) styles[style] = (styles[style] ?? 0) + 1;
  const samples = Array.from(
    { length: Math.min(SAMPLES, entries.length) },
    (_, n) => entries[Math.floor(((n + 0.5) * entries.length) / SAMPLES)]?.id ?? '',
  );
  return { pieces: entries.length, styles, samples };
}

export const findArt = (query: ArtQuery): ArtFound => library().index.find(query);

/** Drawings read lately. */
const MOST_READ = 2000;
const drawings = new Map<string, ImportedDrawing>();

async function drawingOf(id: string): Promise<ImportedDrawing | undefined> {
  const shelf = library();
  if (!shelf.ids.has(id)) return undefined;
  const kept = drawings.get(id);
  if (kept) return kept;
  const [set = '', name = ''] = id.split('/');
  const file = shelf.icons(set);
  const icon = file.icons[name];
  if (!icon) return undefined;
  const { body, width = file.width ?? 16, height = file.height ?? 16 } = icon;
  const drawing = importSvg(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}">${body}</svg>`, await pathAlgebra());
  if (!drawing.ok) return undefined;
  const oldest = drawings.keys().next();
  if (drawings.size >= MOST_READ && !oldest.done) drawings.delete(oldest.value);
  drawings.set(id, drawing.value);
  return drawing.value;
}

export type ArtInput = Omit<Extract<KnownInput, { kind: 'art' }>, 'id'>;

const titleOf = (name: string): string => {
  const words = name.replace(/-fill$/, '').replaceAll('-', ' ');
  return words.charAt(0).toUpperCase() + words.slice(1);
};

/** A piece of the library as a part, without an id. @param palette its colors are given the nearest roles of it */
export async function artPiece(id: string, palette?: Palette): Promise<ArtInput | undefined> {
  const drawing = await drawingOf(id);
  const [set = '', name = ''] = id.split('/');
  const from = library().sets.find((each) => each.id === set);
  if (!drawing || !from) return undefined;
  const source: ArtSource = { title: titleOf(name), set: from.label, name, author: from.author, license: from.license };
  return asArt(drawing, source, palette);
}

/** A piece of the library as a small drawing for lists. @param color for pieces of one color */
export async function artPicture(id: string, color: Hex): Promise<string | undefined> {
  const drawing = await drawingOf(id);
  if (!drawing) return undefined;
  const single = new Set(drawing.pieces.map((piece) => piece.color)).size === 1;
  const fills = drawing.pieces.map((piece) => ({ ...piece, kind: 'fill' as const, ...(single ? { color } : {}) }));
  const group = { kind: 'group' as const, id: 'piece', transform: IDENTITY, opacity: 1, blend: 'normal' as const, children: fills };
  return toSvg({ groups: [group] }, { title: titleOf(id.split('/')[1] ?? ''), box: drawing.box });
}

/** Largest drawing that is taken in, in bytes. */
export const LARGEST_SVG_BYTES = 6 * 1024 * 1024;

export interface BroughtIn {
  readonly part: ArtInput;
  /** What was not understood and left out. */
  readonly left: readonly string[];
}

/** Names that mean the same face, however they are written: “EB Garamond”, “eb-garamond”, “EBGaramond-Bold”. */
const plainName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/-(regular|bold|italic|bolditalic|light|medium|semibold)$/, '')
    .replace(/[^a-z0-9]/g, '');

/** Sets words in the faces that ship or that the brand owns, as far as a drawing names any of them. */
async function setterFor(markup: string, own: readonly ShippedFamily[]): Promise<SetWords> {
  const named = new Set(
    [...markup.matchAll(/font-family\s*[:=]\s*["']?([^;"'>]{1,200})/g)].flatMap(([, list = '']) => list.split(',').map(plainName)),
  );
  const families = [...shippedFamilies(), ...own].filter(({ id, name }) => named.has(plainName(name)) || named.has(plainName(id)));
  if (families.length === 0) return () => undefined;
  const { loader } = await fonts(own);
  const choice = (family: string, weight: number, italic: boolean) => ({
    family,
    style: italic ? ('italic' as const) : ('normal' as const),
    axes: { wght: weight },
  });
  await loader.load(families.flatMap(({ id }) => [400, 700].flatMap((weight) => [choice(id, weight, false), choice(id, weight, true)])));
  return (words, { family, weight, italic }) => {
    const known = families.find(({ id, name }) => [name, id].some((each) => plainName(each) === plainName(family)));
    const face = known && loader.shelf.find(choice(known.id, weight >= 600 ? 700 : 400, italic));
    if (!face?.ok) return undefined;
    const { glyphs, advance } = setLine(face.value, words, { axes: { wght: weight }, kerning: 'font', trackingPermille: 0 });
    return {
      advance,
      path: joinPaths(
        glyphs.map(({ instance, glyph, emPerUnit, x, y }) =>
          mapPath(instance.outline(glyph), { a: emPerUnit, b: 0, c: 0, d: emPerUnit, e: x, f: y }),
        ),
      ),
    };
  };
}

/** Takes in a drawing made elsewhere: read, cleaned of everything active, made into outlines with color slots in its own colors. */
export async function bringIn(markup: string, source: ArtSource, own: readonly ShippedFamily[] = []): Promise<BroughtIn> {
  const drawing = importSvg(markup, await pathAlgebra(), await setterFor(markup, own));
  if (!drawing.ok) throw new ProblemError(422, drawing.problems);
  return { part: asArt(drawing.value, source, 'as-drawn'), left: drawing.value.left };
}
