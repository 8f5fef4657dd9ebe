import {
  concatTransformationMatrix,
  drawObject,
  PDFArray,
  PDFDict,
  PDFDocument,
  PDFName,
  PDFRawStream,
  popGraphicsState,
  pushGraphicsState,
  type PDFContext,
  type PDFPage,
  type PDFRef,
} from '@cantoo/pdf-lib';
import { storedFile } from '../files';
import { pathAlgebra } from '../fonts';
import { pdfOf } from '../formats/pdf';
import { withPdf, painted, sizeAsSeen } from '../pdf-reader';
import { bareJpeg } from './jpeg-segments';
import { laidOver, reportOf, sourcesOf, xmpOf, type MarkingOrder, type PhotoReport, type UnderWatermark } from './laid-over';
import { PX_PER_PT } from './taken-page';

/** Pages of a PDF to be marked, in their order; its other pages stay as they are. */
export interface DocumentOrder extends MarkingOrder {
  readonly sha256: string;
  readonly pages: readonly (UnderWatermark & { readonly number: number })[];
}

/** How a page stands in its own plane. */
interface Standing {
  readonly left: number;
  readonly bottom: number;
  readonly width: number;
  readonly height: number;
  /** Clockwise, in degrees: 0, 90, 180 or 270. */
  readonly turn: number;
  /** Points in one of its units. */
  readonly unit: number;
}

/** @source ISO 32000-1, 7.7.3.3, table 30: CropBox (cut to the MediaBox), Rotate, UserUnit */
function standingOf(page: PDFPage): Standing {
  const [media, crop] = [page.getMediaBox(), page.getCropBox()];
  const left = Math.max(media.x, crop.x);
  const bottom = Math.max(media.y, crop.y);
  const width = Math.min(media.x + media.width, crop.x + crop.width) - left;
  const height = Math.min(media.y + media.height, crop.y + crop.height) - bottom;
  const whole = width > 0 && height > 0;
  const userUnit = Number(page.node.get(PDFName.of('UserUnit'))?.toString() ?? 1);
  return {
    ...(whole ? { left, bottom, width, height } : { left: media.x, bottom: media.y, width: media.width, height: media.height }),
    turn: ((page.getRotation().angle % 360) + 360) % 360,
    unit: userUnit > 0 ? userUnit : 1,
  };
}

/** From what is seen, in points from its lower left, to a page's own plane: as the six numbers of a PDF's matrix. */
function ontoPage({ left, bottom, width, height, turn, unit }: Standing): readonly [number, number, number, number, number, number] {
  const by = 1 / unit;
  switch (turn) {
    case 90:
      return [0, by, -by, 0, left + width, bottom];
    case 180:
      return [-by, 0, 0, -by, left + width, bottom + height];
    case 270:
      return [0, -by, by, 0, left, bottom + height];
    default:
      return [by, 0, 0, by, left, bottom];
  }
}

/** What applications write into a PDF for themselves or about whoever worked on it. @source ISO 32000-1, 14.3.2, 14.5, 14.4 */
const PRIVATE = ['Metadata', 'PieceInfo', 'LastModified'].map((name) => PDFName.of(name));

/** Takes out what tells of people, places and devices: of the whole, of its pieces, and of the photos in it. */
function strip(context: PDFContext): void {
  const dropped = new Set<PDFRef>();
  for (const [ref, object] of context.enumerateIndirectObjects()) {
    const dict = object instanceof PDFDict ? object : object instanceof PDFRawStream ? object.dict : undefined;
    if (!dict) continue;
    if (dict.get(PDFName.of('Type')) === PDFName.of('Metadata')) dropped.add(ref);
    for (const key of PRIVATE) dict.delete(key);
    if (object instanceof PDFRawStream && filterOf(object) === 'DCTDecode')
      context.assign(ref, PDFRawStream.of(object.dict, bareJpeg(object.contents)));
  }
  for (const ref of dropped) context.delete(ref);
}
function filterOf({ dict }: PDFRawStream): string | undefined {
  const filter = dict.lookup(PDFName.of('Filter'));
  const only = filter instanceof PDFArray ? (filter.size() === 1 ? filter.lookup(0) : undefined) : filter;
  return only instanceof PDFName ? only.decodeText() : undefined;
}

/** What is said of the document inside of it; its title stays, for those who have it read aloud. */
function say(document: PDFDocument, order: MarkingOrder): void {
  const { context } = document;
  const title = document.getTitle();
  const before = context.trailerInfo.Info;
  if (before) context.delete(before as PDFRef);
  delete context.trailerInfo.Info;
  if (title) document.setTitle(title);
  if (order.output.creator) document.setAuthor(order.output.creator);
  document.setProducer('Lucky Thistle');
  const xmp = context.stream(new TextEncoder().encode(xmpOf(order)), { Type: 'Metadata', Subtype: 'XML' });
  document.catalog.set(PDFName.of('Metadata'), context.register(xmp));
}

const isSigned = (document: PDFDocument): boolean =>
  Number(document.catalog.lookupMaybe(PDFName.of('AcroForm'), PDFDict)?.lookup(PDFName.of('SigFlags'))?.toString() ?? 0) > 0;

interface MarkedDocument {
  readonly bytes: Uint8Array;
  readonly report: PhotoReport;
  /** The page on which the watermark shows most, from 1; nothing where it hardly does. */
  readonly seenOn?: number;
}
/** Mean change of a page, in steps of L*, from which on it shows when pages are compared. */
const SHOWS = 0.05;

/** Writes its watermark into pages of a PDF, as vectors; what stood there stays as it was: text, links, bookmarks. */
export async function markedDocument(order: DocumentOrder): Promise<MarkedDocument> {
  const paths = await pathAlgebra();
  const sources = await sourcesOf(
    order,
    order.pages.map(({ watermark }) => watermark),
  );
  const laid = order.pages.map((page) => laidOver(page, sources, order, paths));
  const overlay = await pdfOf(
    laid.map(({ drawing }, at) => {
      const { widthPx, heightPx } = order.pages[at] as DocumentOrder['pages'][number];
      const perInch = PX_PER_PT * 72;
      return {
        drawing,
        frame: { box: { left: 0, top: 0, right: widthPx, bottom: heightPx }, widthIn: widthPx / perInch, heightIn: heightPx / perInch },
      };
    }),
    order.palette,
    order.ownPictures,
  );
  const document = await PDFDocument.load(await storedFile(order.sha256), { updateMetadata: false });
  const signed = isSigned(document);
  strip(document.context);
  const forms = await document.embedPdf(
    overlay,
    order.pages.map((_, at) => at),
  );
  order.pages.forEach(({ number }, at) => {
    const page = document.getPage(number - 1);
    const { node } = page;
    // Pages may share their list of contents; what is added here is this page's alone.
    const contents = node.lookup(PDFName.of('Contents'));
    if (contents instanceof PDFArray) node.set(PDFName.of('Contents'), document.context.obj(contents.asArray()));
    const form = forms[at];
    if (!form) return;
    const key = node.newXObject('Watermark', form.ref);
    page.pushOperators(pushGraphicsState(), concatTransformationMatrix(...ontoPage(standingOf(page))), drawObject(key), popGraphicsState());
  });
  say(document, order);
  const bytes = await document.save({ updateFieldAppearances: false });
  const least = laid.reduce((one, other) => (other.protection.share < one.protection.share ? other : one));
  const of = document.getPageCount();
  const change = laid.map(({ protection }) => protection.disturbs);
  const most = Math.max(...change);
  const shown = order.pages[change.indexOf(most)];
  return {
    bytes,
    ...(shown && most > SHOWS ? { seenOn: shown.number } : {}),
    report: {
      widthPx: order.pages[0]?.widthPx ?? 0,
      heightPx: order.pages[0]?.heightPx ?? 0,
      ...reportOf(least),
      disturbs: most,
      pages: order.pages.map(({ number }) => number),
      notes: [
        order.pages.length === of
          ? `All ${of} pages are marked.`
          : `${order.pages.length} of ${of} pages are marked; the others are as they were.`,
        ...(signed ? ['It was signed digitally; like any change, the marks end what that says.'] : []),
      ],
    },
  };
}

/** Pages are compared at this width. */
const COMPARED_PX = 300;

/**
 * Opens a marked document again, with a reader that did not write it, and says what is wrong with it, if anything.
 * @param seenOn a page on which the watermark must show
 */
export async function wrongWithDocument(bytes: Uint8Array, order: DocumentOrder, seenOn?: number): Promise<readonly string[]> {
  const looks = (file: Uint8Array) =>
    withPdf(file, async (document) => {
      const sizes = [];
      for (let number = 1; number <= document.numPages; number++) sizes.push(sizeAsSeen(await document.getPage(number)));
      const page = seenOn !== undefined && seenOn <= document.numPages ? await document.getPage(seenOn) : undefined;
      const canvas = page && (await painted(page, COMPARED_PX / sizeAsSeen(page).widthPt, '#ffffff'));
      return { sizes, pixels: canvas && Buffer.from(canvas.data()) };
    });
  const [before, after] = [await looks(await storedFile(order.sha256)), await looks(bytes)];
  const other = after.sizes.findIndex(
    ({ widthPt, heightPt }, at) =>
      Math.abs(widthPt - (before.sizes[at]?.widthPt ?? 0)) > 0.01 || Math.abs(heightPt - (before.sizes[at]?.heightPt ?? 0)) > 0.01,
  );
  return [
    ...(after.sizes.length === before.sizes.length ? [] : [`it has ${after.sizes.length} pages`]),
    ...(other < 0 ? [] : [`its page ${other + 1} has another size`]),
    ...(after.pixels && before.pixels && after.pixels.equals(before.pixels) ? ['nothing is to be seen of the mark'] : []),
  ];
}
