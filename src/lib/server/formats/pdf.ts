import PDFDocument from 'pdfkit';
import sharp from 'sharp';
import {
  holdsPixels,
  inksOf,
  pdfPage,
  pictureSizes,
  type CanvasFrame,
  type Drawing,
  type Palette,
  type PdfColors,
  type PdfForm,
} from '$core/index';
import { MOST_PIXELS } from '../taken-picture';
import type { FileOrder, Format } from './format';
import { framed, pictureOf, rightsIn } from './framed';
import type { PictureSubject } from './subject';

const PT_PER_INCH = 72;
const PT_PER_MM = PT_PER_INCH / 25.4;
/** Pictures of a mark are written with so many pixels an inch at the size that they have on paper, or with all that they have where that is less. */
export const PICTURE_DPI = 300;

const SPACES = { rgb: 'DeviceRGB', cmyk: 'DeviceCMYK', gray: 'DeviceGray' } as const;

type Doc = PDFKit.PDFDocument;
type Ref = PDFKit.PDFKitReference;

/** Writes the pieces of a page into a document as objects that refer to one another. */
class PdfObjects {
  readonly #pictures = new Map<string, Promise<Ref>>();

  constructor(
    readonly doc: Doc,
    readonly colors: PdfColors,
    /** Size in pixels that a picture is needed at, by digest. */
    readonly needed: ReadonlyMap<string, { readonly width: number; readonly height: number }>,
    readonly own: ReadonlySet<string>,
  ) {}

  #object(data: object, stream?: string | Uint8Array): Ref {
    const ref = this.doc.ref(data as Record<string, unknown>);
    if (stream === undefined) ref.end(undefined);
    else ref.end(Buffer.from(stream as Uint8Array));
    return ref;
  }

  /** A shading's colors between its stops. @source ISO 32000-1, 7.10.3 (exponential) and 7.10.4 (stitching) */
  #function(stops: readonly { readonly at: number; readonly components: readonly number[] }[]): Ref {
    const pieces = stops.slice(1).flatMap((to, index) => {
      const from = stops[index] as (typeof stops)[number];
      return to.at > from.at ? [{ from, to }] : [];
    });
    const functions = pieces.map(({ from, to }) =>
      this.#object({ FunctionType: 2, Domain: [0, 1], C0: [...from.components], C1: [...to.components], N: 1 }),
    );
    if (functions.length === 1) return functions[0] as Ref;
    if (functions.length === 0) {
      const only = stops.at(-1)?.components ?? [0];
      return this.#object({ FunctionType: 2, Domain: [0, 1], C0: [...only], C1: [...only], N: 1 });
    }
    return this.#object({
      FunctionType: 3,
      Domain: [0, 1],
      Functions: functions,
      Bounds: pieces.slice(0, -1).map(({ to }) => to.at),
      Encode: functions.flatMap(() => [0, 1]),
    });
  }

  #pattern({ shading, space, map }: PdfForm['patterns'] extends ReadonlyMap<string, infer P> ? P : never): Ref {
    const { kind, from, to, stops } = shading;
    return this.#object({
      Type: 'Pattern',
      PatternType: 2,
      Matrix: [map.a, map.b, map.c, map.d, map.e, map.f],
      Shading: this.#object({
        ShadingType: kind === 'linear' ? 2 : 3,
        ColorSpace: SPACES[space],
        Coords: kind === 'linear' ? [from, 0, to, 0] : [0, 0, from, 0, 0, to],
        Function: this.#function(stops),
        Extend: [true, true],
      }),
    });
  }

  async #picture(sha256: string): Promise<Ref> {
    const size = this.needed.get(sha256);
    const read = sharp(await pictureOf(sha256, this.own), { limitInputPixels: MOST_PIXELS }).toColourspace('srgb');
    const sized = size
      ? read.resize({
          width: Math.max(1, size.width),
          height: Math.max(1, size.height),
          fit: 'fill',
          withoutEnlargement: true,
          kernel: 'cubic',
        })
      : read;
    const { data, info } = await sized.ensureAlpha().raw().toBuffer({ resolveWithObject: true });
    const count = info.width * info.height;
    const channels = this.colors === 'rgb' ? 3 : 4;
    const inks = Buffer.alloc(count * channels);
    const alpha = Buffer.alloc(count);
    for (let at = 0; at < count; at++) {
      const [red, green, blue] = [data[at * 4] as number, data[at * 4 + 1] as number, data[at * 4 + 2] as number];
      if (channels === 3) inks.set([red, green, blue], at * 3);
      else {
        const light = Math.max(red, green, blue);
        const ink = (channel: number) => (light === 0 ? 0 : Math.round((255 * (light - channel)) / light));
        inks.set([ink(red), ink(green), ink(blue), 255 - light], at * 4);
      }
      alpha[at] = data[at * 4 + 3] as number;
    }
    const common = { Type: 'XObject', Subtype: 'Image', Width: info.width, Height: info.height, BitsPerComponent: 8 };
    const mask = alpha.every((value) => value === 255) ? undefined : this.#object({ ...common, ColorSpace: 'DeviceGray' }, alpha);
    return this.#object({ ...common, ColorSpace: SPACES[this.colors === 'rgb' ? 'rgb' : 'cmyk'], ...(mask ? { SMask: mask } : {}) }, inks);
  }

  /** What a piece of content names, as a resource dictionary. */
  async resources(form: PdfForm): Promise<object> {
    const states: Record<string, unknown> = {};
    for (const [name, { opacity, blend, mask }] of form.states)
      states[name] = this.#object({
        Type: 'ExtGState',
        ...(opacity === undefined ? {} : { ca: opacity, CA: opacity }),
        ...(blend === undefined ? {} : { BM: BLEND_NAMES[blend] }),
        ...(mask ? { SMask: { Type: 'Mask', S: 'Luminosity', G: await this.form(mask, 'gray') } } : {}),
      });
    const objects: Record<string, unknown> = {};
    for (const [name, sha256] of form.pictures) {
      const ref = this.#pictures.get(sha256) ?? this.#picture(sha256);
      this.#pictures.set(sha256, ref);
      objects[name] = await ref;
    }
    for (const [name, group] of form.groups) objects[name] = await this.form(group, this.colors === 'rgb' ? 'rgb' : 'cmyk');
    const patterns = Object.fromEntries([...form.patterns].map(([name, pattern]) => [name, this.#pattern(pattern)]));
    const spaces = Object.fromEntries(
      [...form.spots].map(([name, { spot, components }]) => [
        name,
        // How the ink looks where there is none of it. @source ISO 32000-1, 8.6.6.4 "Separation colour spaces"
        ['Separation', spot, 'DeviceCMYK', this.#object({ FunctionType: 2, Domain: [0, 1], C0: [0, 0, 0, 0], C1: [...components], N: 1 })],
      ]),
    );
    return { ExtGState: states, XObject: objects, Pattern: patterns, ColorSpace: spaces };
  }

  /** A piece of content that is painted as one. @source ISO 32000-1, 11.6.6 "Transparency group XObjects" */
  async form(form: PdfForm, space: keyof typeof SPACES): Promise<Ref> {
    const { left, top, right, bottom } = form.box;
    return this.#object(
      {
        Type: 'XObject',
        Subtype: 'Form',
        BBox: [left, top, right, bottom],
        Group: { Type: 'Group', S: 'Transparency', CS: SPACES[space], I: true, K: false },
        Resources: await this.resources(form),
      },
      Buffer.from(form.content),
    );
  }
}

/** @source ISO 32000-1, 11.3.5, tables 136 and 137 */
const BLEND_NAMES = {
  normal: 'Normal',
  multiply: 'Multiply',
  screen: 'Screen',
  overlay: 'Overlay',
  darken: 'Darken',
  lighten: 'Lighten',
  'color-dodge': 'ColorDodge',
  'color-burn': 'ColorBurn',
  'hard-light': 'HardLight',
  'soft-light': 'SoftLight',
  difference: 'Difference',
  exclusion: 'Exclusion',
  hue: 'Hue',
  saturation: 'Saturation',
  color: 'Color',
  luminosity: 'Luminosity',
} as const;

/** How many pixels each picture needs on paper. */
function pixelsNeeded(drawing: Drawing, frame: PdfSheet['frame']) {
  const dotsPerMarkPx = (frame.widthIn * PICTURE_DPI) / (frame.box.right - frame.box.left);
  return new Map(
    [...pictureSizes(drawing)].map(([sha256, { width, height }]) => [
      sha256,
      { width: Math.ceil(width * dotsPerMarkPx), height: Math.ceil(height * dotsPerMarkPx) },
    ]),
  );
}

/** A drawing on a page of its own. */
interface PdfSheet {
  readonly drawing: Drawing;
  readonly frame: Pick<CanvasFrame, 'box' | 'widthIn' | 'heightIn'>;
  readonly colors: PdfColors;
  readonly inkOf: ReturnType<typeof inksOf>;
  readonly ground?: FileOrder['ground'];
  readonly ownPictures: ReadonlySet<string>;
}

async function addSheet(doc: Doc, { drawing, frame, colors, inkOf, ground, ownPictures }: PdfSheet): Promise<Record<string, unknown>> {
  const [widthPt, heightPt] = [frame.widthIn * PT_PER_INCH, frame.heightIn * PT_PER_INCH];
  const form = pdfPage(drawing, { box: frame.box, widthPt, heightPt, inkOf, ground });
  doc.addPage({ size: [widthPt, heightPt], margin: 0 });
  const page = doc.page.dictionary.data as Record<string, unknown>;
  const objects = new PdfObjects(doc, colors, holdsPixels(form) ? pixelsNeeded(drawing, frame) : new Map(), ownPictures);
  Object.assign((page['Resources'] as { readonly data: object }).data, await objects.resources(form));
  // The library has turned the page upside down by now; turned once more, our content is written in the page's own points.
  doc.page.content.write(`1 0 0 -1 0 ${heightPt} cm\n${form.content}`);
  return page;
}

async function addPage(doc: Doc, subject: PictureSubject, order: FileOrder, colors: PdfColors): Promise<readonly string[]> {
  const { mark, drawing, frame } = await framed(subject, order, false);
  const { palette, ownPictures } = subject;
  const page = await addSheet(doc, { drawing, frame, colors, inkOf: inksOf(palette, colors), ground: order.ground, ownPictures });
  const [widthPt, heightPt] = [frame.widthIn * PT_PER_INCH, frame.heightIn * PT_PER_INCH];
  const bleed = order.canvas.bleedMm * PT_PER_MM;
  page['TrimBox'] = [bleed, bleed, widthPt - bleed, heightPt - bleed];
  page['BleedBox'] = [0, 0, widthPt, heightPt];
  page['Group'] = { Type: 'Group', S: 'Transparency', CS: SPACES[colors === 'rgb' ? 'rgb' : 'cmyk'], I: true };
  return rightsIn(subject, mark);
}

/** Writes a document: its pages by a function, then what is said of it. */
async function document(write: (doc: Doc) => Promise<Readonly<Record<string, string>>>): Promise<Uint8Array> {
  // Not the library's own fonts: none is needed, and it would name one.
  const doc = new PDFDocument({
    autoFirstPage: false,
    font: '',
    compress: true,
    pdfVersion: '1.7',
    // The same mark is the same file, whenever it is made: the file’s own id is made from this.
    info: { CreationDate: EPOCH },
    margin: 0,
  } as PDFKit.PDFDocumentOptions);
  const chunks: Uint8Array[] = [];
  const whole = new Promise<Uint8Array>((done, failed) => {
    doc.on('data', (chunk: Uint8Array) => chunks.push(chunk));
    doc.on('end', () => done(Buffer.concat(chunks)));
    doc.on('error', failed);
  });
  const said = await write(doc);
  Object.assign(doc.info, { ...said, Creator: 'Lucky Thistle', Producer: 'Lucky Thistle', CreationDate: EPOCH });
  doc.end();
  return whole;
}

/** Drawings on clear pages, one after the other, in RGB: to be laid over pages of another document. */
export const pdfOf = (
  sheets: readonly Pick<PdfSheet, 'drawing' | 'frame'>[],
  palette: Palette,
  ownPictures: ReadonlySet<string>,
): Promise<Uint8Array> =>
  document(async (doc) => {
    for (const sheet of sheets) await addSheet(doc, { ...sheet, colors: 'rgb', inkOf: inksOf(palette, 'rgb'), ownPictures });
    return {};
  });

/** Outlines for print: real transparency, gradients and blend modes; pixels only for pictures; no fonts, because letters are outlines. */
export const pdf: Format = {
  make: (subject, order) =>
    document(async (doc) => {
      const rights = new Set<string>();
      for (const each of [subject, ...(order.pages ?? [])])
        for (const line of await addPage(doc, each, order, order.colors ?? 'rgb')) rights.add(line);
      return { Title: subject.title, Subject: [...rights].join('\n') };
    }),
};
const EPOCH = new Date(Date.UTC(2000, 0, 1));
