import { unzipSync, type UnzipFileInfo } from 'fflate';
import sharp from 'sharp';
import {
  documentForms,
  expect as valueOf,
  paletteForm,
  problemsOf,
  recovered,
  recoverRecipe,
  type CatalogueEntry,
  type DocumentKind,
  type StoredForm,
} from '$core/index';
import { checkFont, measureOwnFont } from '$core/shaping';
import { digestOf } from '../files/digest';
import { ProblemError, refuse } from '../http/problem-error';
import { MOST_PIXELS } from '../taken-picture';
import { wrongWithLinks } from './client-links';
import { BRAND_FILE_VERSION, BRAND_NAME, brandFileSchema, COVER_NAME, coverSchema, fileName, type BrandFile } from './form';
import { wrongWithPacks } from './packs';

/** Largest brand file, and how large it may become when it is unpacked. */
export const LARGEST_BRAND_FILE_BYTES = 256 * 1024 * 1024;
const MOST_UNPACKED_BYTES = 512 * 1024 * 1024;
const MOST_ENTRIES = 6000;

/** A client's font of a brand file, checked and measured again. */
export interface OpenedFont {
  readonly sha256: string;
  readonly sizeBytes: number;
  readonly embedding: string;
  readonly entry: CatalogueEntry;
}
/** A brand file that was read to its end and holds what it says. */
export interface OpenedBrandFile {
  readonly file: BrandFile;
  readonly fonts: readonly OpenedFont[];
  /** The bytes of its pictures, photos, fonts and packed files. */
  readonly files: readonly Uint8Array[];
}

const damaged = (what: string, fix = 'Take another copy of it.') =>
  refuse(422, 'brand-file-damaged', `This brand file cannot be read: ${what}`, fix);

function unpacked(zip: Uint8Array): Readonly<Record<string, Uint8Array>> {
  let [entries, size] = [0, 0];
  const filter = ({ name, originalSize }: UnzipFileInfo): boolean => {
    entries++;
    size += originalSize;
    if (entries > MOST_ENTRIES || size > MOST_UNPACKED_BYTES)
      throw refuse(
        422,
        'brand-file-too-large',
        `Unpacked, this file would have more than ${MOST_UNPACKED_BYTES / 1024 / 1024} MB or ${MOST_ENTRIES} entries; nothing was taken in.`,
        'A brand file of ours is smaller.',
      );
    if (name !== COVER_NAME && name !== BRAND_NAME && !/^files\/[0-9a-f]{64}$/.test(name))
      throw damaged(`it holds “${name.slice(0, 60)}”, which no brand file does.`);
    return true;
  };
  try {
    return unzipSync(zip, { filter });
  } catch (error) {
    if (error instanceof ProblemError) throw error;
    throw damaged('it is no whole ZIP.');
  }
}

const jsonOf = (bytes: Uint8Array | undefined, name: string): unknown => {
  if (!bytes) throw damaged(`${name} is not in it.`);
  try {
    return JSON.parse(Buffer.from(bytes).toString('utf8'));
  } catch {
    throw damaged(`${name} is not whole.`);
  }
};

/** Reads what is stored as it would be read from the database; what cannot be read is refused before anything is written. */
function checkStored(file: BrandFile): void {
  const formOf = (document: string) =>
    Object.hasOwn(documentForms, document) ? (documentForms[document as DocumentKind] as StoredForm<object>) : undefined;
  try {
    for (const { colors } of file.palettes) valueOf(recovered(paletteForm, colors));
    for (const { document, content } of file.documents) {
      const form = formOf(document);
      if (form) valueOf(recovered(form, content));
    }
    for (const mark of file.marks) for (const { recipe } of [...mark.revisions, ...mark.tries]) valueOf(recoverRecipe(recipe));
  } catch (error) {
    throw damaged(`what it holds is not a brand’s (${error instanceof Error ? error.message.slice(0, 160) : 'no reason given'}).`);
  }
  const follows = (numbers: readonly number[]) => numbers.every((number, at) => number === at + 1);
  if (
    !follows(file.palettes.map(({ number }) => number)) ||
    file.marks.some(({ revisions }) => !follows(revisions.map(({ number }) => number)))
  )
    throw damaged('a revision is missing in it.');
  const [ids, slugs] = [new Set(file.marks.map(({ id }) => id)), new Set(file.marks.map(({ slug }) => slug))];
  if (ids.size < file.marks.length || slugs.size < file.marks.length) throw damaged('it holds a mark twice.');
  const photos = [file.photos.map(({ id }) => id), file.photos.map(({ sha256, page }) => `${sha256}/${page}`)];
  if (photos.some((keys) => new Set(keys).size < keys.length)) throw damaged('it holds a photo twice.');
  const newest = new Map(file.marks.map(({ id, revisions }) => [id, revisions.length]));
  const tries = new Set(file.marks.flatMap((mark) => mark.tries.flatMap(({ id }) => id ?? [])));
  const wrong =
    wrongWithPacks(
      file.packs,
      ({ palette, marks }) =>
        palette <= file.palettes.length && Object.entries(marks).every(([mark, number]) => number <= (newest.get(mark) ?? 0)),
    ) ?? wrongWithLinks(file.clientLinks, { marks: ids, tries });
  if (wrong) throw damaged(wrong);
}

/** Reads a brand file to its end and checks everything in it; nothing is written. @throws a refusal that says what is wrong */
export async function openBrandFile(zip: Uint8Array): Promise<OpenedBrandFile> {
  const entries = unpacked(zip);
  const cover = coverSchema.safeParse(jsonOf(entries[COVER_NAME], COVER_NAME));
  if (!cover.success)
    throw refuse(422, 'no-brand-file', 'This is not a brand file of Lucky Thistle.', 'Bring one that was downloaded in the studio.');
  if (cover.data.version > BRAND_FILE_VERSION)
    throw refuse(
      422,
      'newer-brand-file',
      `This brand file was written by a newer version (form ${cover.data.version}; this one reads up to ${BRAND_FILE_VERSION}).`,
      'Update this installation first.',
    );
  const brand = entries[BRAND_NAME];
  if (!brand || digestOf(brand) !== cover.data.brandSha256)
    throw damaged('what it holds is not what its cover says; it was changed or cut off.');
  const json = jsonOf(brand, BRAND_NAME);
  const parsed = brandFileSchema.safeParse(json);
  if (!parsed.success) throw new ProblemError(422, problemsOf(parsed.error, json).slice(0, 5));
  const file = parsed.data;
  checkStored(file);
  const fonts: OpenedFont[] = [];
  const files: Uint8Array[] = [];
  for (const { sha256, name, ...more } of [...file.pictures, ...file.fonts]) {
    const bytes = entries[fileName(sha256)];
    if (!bytes || digestOf(bytes) !== sha256) throw damaged(`the file of “${name.slice(0, 60)}” is missing or changed.`);
    files.push(bytes);
    if ('widthPx' in more) {
      const about = await sharp(bytes, { limitInputPixels: MOST_PIXELS })
        .metadata()
        .catch(() => undefined);
      if (!about?.format || !['png', 'jpeg', 'webp', 'tiff', 'avif', 'heif'].includes(about.format))
        throw damaged(`“${name.slice(0, 60)}” is no picture.`);
      continue;
    }
    const checked = await checkFont('uploaded', bytes);
    if (!checked.ok) throw damaged(`“${name.slice(0, 60)}” is no font that can be used.`);
    fonts.push({ sha256, sizeBytes: bytes.length, embedding: checked.value.embedding.name, entry: measureOwnFont(checked.value) });
  }
  const read = new Set<string>();
  const packed = file.packs.flatMap((pack) => pack.files);
  for (const { sha256, name } of [...file.photos, ...packed]) {
    // Pages of one document lie in one file, and a file may be in many packs.
    if (sha256 === null || read.has(sha256)) continue;
    read.add(sha256);
    const bytes = entries[fileName(sha256)];
    if (!bytes || digestOf(bytes) !== sha256) throw damaged(`the file of “${name.slice(0, 60)}” is missing or changed.`);
    files.push(bytes);
  }
  return { file, fonts, files };
}
