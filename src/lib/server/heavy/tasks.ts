import sharp from 'sharp';
import {
  fingerprintOf,
  judgeDelivery,
  markOutlines,
  measuredMark,
  type MeasuredMark,
  screenPicture,
  type Dressing,
  type DeskAnswer,
  type Fingerprint,
  type FormatName,
  type Palette,
  type Recipe,
  type ScreenPicture,
  type ShippedFamily,
  type Sources,
} from '$core/index';
import type { CatalogueEntry } from '$core/index';
import type { Stroke } from '$core/pictures';
import { checkFont, facesOf, measureOwnFont } from '$core/shaping';
import { bringIn, type BroughtIn } from '../art';
import { openBrandFile, type OpenedBrandFile } from '../brand-file/open';
import { partAt } from '../client-link/part-at';
import { cutPicture } from '../cut-picture';
import { drawMark } from '../draw-mark';
import { storedFile, storeFile } from '../files';
import { markedDocument, wrongWithDocument, type DocumentOrder } from '../photos/marked-document';
import { markedPhoto, wrongWith, type PhotoOrder } from '../photos/marked-photo';
import { countedPages, pagePicture, takenPage } from '../photos/taken-page';
import { takenPhoto } from '../photos/taken-photo';
import { measureDelivery, type DeskOrder } from '../print-desk/measure';
import { shownOn, shownSideBySide, type GoodsOrder, type SheetOrder } from '../goods/shown-on';
import { pathAlgebra } from '../fonts';
import { library, type Library } from '../library';
import { ProblemError } from '../http/problem-error';
import { FORMATS, type FileOrder, type PictureSubject } from '../formats';
import { verifyGoods } from '../verify/goods';
import { verifyFile } from '../verify/verify';
import type { FileVerdict } from '../verify/verdict';
import { softenedPicture } from '../softened-picture';
import { takenPicture, type PictureUse } from '../taken-picture';
import type { ArtSource } from '$core/index';

sharp.cache(false);
sharp.concurrency(1);

/** A mark to be drawn for a screen. */
export interface ScreenOrder {
  readonly recipe: Recipe;
  readonly sources: Sources;
  readonly palette: Palette;
  readonly dressing: Dressing;
  readonly ownFamilies: readonly ShippedFamily[];
  /** What ids in the picture begin with. */
  readonly prefix: string;
  /** Where the brand's pictures are had. */
  readonly pictures: string;
}

/** A client's font, checked and measured. */
export interface CheckedFile {
  /** Where its plain data is stored. */
  readonly sha256: string;
  readonly sizeBytes: number;
  readonly name: string;
  readonly glyphCount: number;
  readonly embedding: string;
  readonly embeddingMeans: string;
  readonly hasColor: boolean;
  readonly entry: CatalogueEntry;
}

interface GoodsInput {
  readonly subject: PictureSubject;
  readonly order: GoodsOrder;
}

/** What became of a file of a pack. */
export interface Packed {
  readonly verdict: FileVerdict;
  readonly sizeBytes: number;
  /** What is to be kept, if it passes: by whoever asked, so that this thread goes on with the next. */
  readonly kept?: Uint8Array;
}

const packed = (file: Uint8Array, verdict: FileVerdict): Packed => ({
  verdict,
  sizeBytes: file.length,
  ...(verdict.passes ? { kept: file } : {}),
});

/** Everything that takes long enough to keep other requests waiting; each runs in a thread of its own, never in the one that answers. */
export const tasks = {
  drawing: ({
    markup,
    source,
    ownFamilies,
  }: {
    readonly markup: string;
    readonly source: ArtSource;
    readonly ownFamilies: readonly ShippedFamily[];
  }): Promise<BroughtIn> => bringIn(markup, source, ownFamilies),
  /** The part of a mark that a client pointed at. */
  pointedAt: async ({ subject, at }: { readonly subject: PictureSubject; readonly at: { readonly x: number; readonly y: number } }) =>
    partAt(await drawMark(subject, subject.ownFamilies), at) ?? null,
  file: ({
    format,
    subject,
    order,
  }: {
    readonly format: FormatName;
    readonly subject: PictureSubject;
    readonly order: FileOrder;
  }): Promise<Uint8Array> => FORMATS[format].make(subject, order),
  /** A file of a pack: written, opened again, and to be kept only if it is right. */
  packed: async ({
    format,
    subject,
    order,
  }: {
    readonly format: FormatName;
    readonly subject: PictureSubject;
    readonly order: FileOrder;
  }): Promise<Packed> => {
    const file = await FORMATS[format].make(subject, order);
    return packed(file, await verifyFile(format, file, subject, order));
  },
  /** A mark on goods, for a pack: likewise. */
  packedGoods: async ({ subject, order }: GoodsInput): Promise<Packed> => {
    const file = await shownOn(subject, order);
    return packed(file, await verifyGoods(file, order));
  },
  /** A mark on several goods in one picture, for a pack: likewise. */
  packedSheet: async ({ order }: { readonly order: SheetOrder }): Promise<Packed> => {
    const file = await shownSideBySide(order);
    return packed(file, await verifyGoods(file, order));
  },
  /** A mark on goods, as a JPEG. */
  goods: ({ subject, order }: GoodsInput): Promise<Uint8Array> => shownOn(subject, order),
  /** The same, large: somebody looks at it, while walls of small ones may wait. */
  goodsLarge: ({ subject, order }: GoodsInput): Promise<Uint8Array> => shownOn(subject, order),
  /** A photo that comes in, and the smaller copy of it that is looked at; both are kept. */
  photo: async ({ bytes, name }: { readonly bytes: Uint8Array; readonly name: string }) => {
    const { preview, ...taken } = await takenPhoto(bytes, name);
    return { ...taken, sizeBytes: bytes.length, sha256: await storeFile(bytes), preview: await storeFile(preview) };
  },
  /** A PDF that comes in: looked at as a whole, and kept; its pages follow one by one. */
  document: async ({ bytes, name }: { readonly bytes: Uint8Array; readonly name: string }) => ({
    pages: await countedPages(bytes, name),
    sizeBytes: bytes.length,
    sha256: await storeFile(bytes),
  }),
  documentPage: async ({ sha256, name, number }: { readonly sha256: string; readonly name: string; readonly number: number }) => {
    const { preview, ...taken } = await takenPage(await storedFile(sha256), name, number);
    return { ...taken, preview: await storeFile(preview) };
  },
  /** A page of a PDF, to be looked at. */
  pagePicture: async ({ sha256, number }: { readonly sha256: string; readonly number: number }): Promise<Uint8Array> =>
    pagePicture(await storedFile(sha256), number),
  /** Pages of a PDF under their watermark: written, opened again, and kept only if it is right. */
  documentMarked: async ({ order }: { readonly order: DocumentOrder }) => {
    const { bytes, report, seenOn } = await markedDocument(order);
    const wrong = await wrongWithDocument(bytes, order, seenOn);
    return { report, wrong, sizeBytes: bytes.length, ...(wrong.length === 0 ? { sha256: await storeFile(bytes) } : {}) };
  },
  /** A photo under its watermark: written, opened again, and kept only if it is right. */
  photoMarked: async ({ order }: { readonly order: PhotoOrder }) => {
    const { bytes, report } = await markedPhoto(order);
    const wrong = await wrongWith(bytes, { report, order });
    return { report, wrong, sizeBytes: bytes.length, ...(wrong.length === 0 ? { sha256: await storeFile(bytes) } : {}) };
  },
  /** A brand file, read to its end and checked; its pictures, photos, fonts and packed files are kept, nothing else is written. */
  brandFile: async ({ bytes }: { readonly bytes: Uint8Array }): Promise<Omit<OpenedBrandFile, 'files'>> => {
    const { files, ...opened } = await openBrandFile(bytes);
    for (const file of files) await storeFile(file);
    return opened;
  },
  /** What the print desk says of a file. */
  judged: async ({ sha256, order }: { readonly sha256: string; readonly order: DeskOrder }): Promise<DeskAnswer> =>
    judgeDelivery(order.process, await measureDelivery(await storedFile(sha256), order)),
  fingerprint: async ({
    ownFamilies,
    ...order
  }: Pick<ScreenOrder, 'recipe' | 'sources' | 'palette' | 'ownFamilies'>): Promise<Fingerprint | undefined> =>
    fingerprintOf(markOutlines((await drawMark({ ...order, dressing: 'full' }, ownFamilies)).drawing)),
  /** What a brand sheet says of a mark. */
  measured: async ({
    ownFamilies,
    ...order
  }: Pick<ScreenOrder, 'recipe' | 'sources' | 'palette' | 'ownFamilies'>): Promise<MeasuredMark | undefined> =>
    measuredMark(
      await drawMark({ ...order, dressing: 'full' }, ownFamilies),
      await drawMark({ ...order, dressing: 'one-color' }, ownFamilies),
      await pathAlgebra(),
    ),
  library: (_: Record<string, never>): Promise<Library> => library(),
  screen: async ({ recipe, sources, palette, dressing, ownFamilies, prefix, pictures }: ScreenOrder): Promise<ScreenPicture> =>
    screenPicture(await drawMark({ recipe, sources, palette, dressing }, ownFamilies), prefix, pictures),
  picture: async ({ bytes, name, use }: { readonly bytes: Uint8Array; readonly name: string; readonly use: PictureUse }) => {
    const { bytes: kept, ...taken } = await takenPicture(bytes, name, use);
    return { ...taken, sha256: await storeFile(kept) };
  },
  cutPicture: async ({
    sha256,
    name,
    strokes,
  }: {
    readonly sha256: string;
    readonly name: string;
    readonly strokes: readonly Stroke[];
  }) => {
    const { bytes: kept, ...taken } = await cutPicture(await storedFile(sha256), name, strokes);
    return { ...taken, sha256: await storeFile(kept) };
  },
  softenPicture: async ({ sha256, name, percent }: { readonly sha256: string; readonly name: string; readonly percent: number }) => {
    const { bytes: kept, ...taken } = await softenedPicture(await storedFile(sha256), name, percent);
    return { ...taken, sha256: await storeFile(kept) };
  },
  font: async ({ bytes, face }: { readonly bytes: Uint8Array; readonly face?: number | undefined }): Promise<CheckedFile> => {
    const checked = await checkFont('uploaded', bytes, face);
    if (!checked.ok) {
      const collection = checked.problems.some(({ code }) => code === 'font-collection');
      throw new ProblemError(422, checked.problems, collection ? { faces: await facesOf(bytes) } : {});
    }
    const { typeface, glyphCount, embedding, hasColor } = checked.value;
    return {
      sha256: await storeFile(checked.value.bytes),
      sizeBytes: checked.value.bytes.length,
      name: typeface.name,
      glyphCount,
      embedding: embedding.name,
      embeddingMeans: embedding.means,
      hasColor,
      entry: measureOwnFont(checked.value),
    };
  },
} as const;

export type TaskName = keyof typeof tasks;
export type TaskInput<N extends TaskName> = Parameters<(typeof tasks)[N]>[0];
export type TaskOutput<N extends TaskName> = Awaited<ReturnType<(typeof tasks)[N]>>;
