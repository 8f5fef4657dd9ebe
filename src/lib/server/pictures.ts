import { renderAsync } from '@resvg/resvg-js';
import sharp from 'sharp';
import {
  grow,
  rasterFrame,
  rightsLines,
  rightsOf,
  toSvg,
  withDensity,
  withText,
  picturesIn,
  type PictureAddress,
  type Bounds,
  type Dressing,
  type Palette,
  type Recipe,
  type ResolvedMark,
  type ShippedFamily,
  type Sources,
} from '$core/index';
import { drawMark } from './draw-mark';
import { storedFile } from './files';
import { shippedFamilies } from './fonts';
import { MOST_PIXELS } from './taken-picture';
import { ProblemError, refuse } from './http/problem-error';

/** What a picture shows. */
export interface PictureSubject {
  readonly title: string;
  readonly recipe: Recipe;
  readonly sources: Sources;
  readonly palette: Palette;
  readonly dressing: Dressing;
  /** The brand's own fonts. */
  readonly ownFamilies: readonly ShippedFamily[];
  /** The pictures that the brand may show, by digest. */
  readonly ownPictures: ReadonlySet<string>;
  /** Clear room around the ink, in mark pixels; 0 is a tight file. */
  readonly paddingPx: number;
}

interface Framed {
  readonly mark: ResolvedMark;
  readonly box: Bounds;
}

async function frame(subject: PictureSubject): Promise<Framed> {
  const mark = await drawMark(subject, subject.ownFamilies);
  if (!mark.ink || mark.ink.right - mark.ink.left <= 0 || mark.ink.bottom - mark.ink.top <= 0)
    throw refuse(422, 'nothing-drawn', 'This mark draws nothing yet, so there is no picture of it.', 'Add lettering or a shape first.');
  return { mark, box: grow(mark.ink, subject.paddingPx) };
}

/** The rights of a mark as they travel inside of its files. */
function rightsIn({ recipe, sources, ownFamilies }: PictureSubject): readonly string[] {
  const families = [...shippedFamilies(), ...ownFamilies];
  return rightsLines(rightsOf(recipe, sources, { family: (id) => families.find((family) => family.id === id) }));
}

/** Whether a stored WebP keeps every pixel exactly. @source RFC 9649, 2.6: the simple lossless format begins with a VP8L chunk */
const isExact = (webp: Uint8Array): boolean => Buffer.from(webp.subarray(12, 16)).toString('latin1') === 'VP8L';

/** The pictures of a mark as data addresses in formats that every program reads: PNG where pixels are exact or clear, else JPEG. */
async function embedded(mark: ResolvedMark, own: ReadonlySet<string>): Promise<PictureAddress> {
  const addresses = new Map<string, string>();
  for (const sha256 of picturesIn(mark.drawing)) {
    if (!own.has(sha256))
      throw refuse(
        422,
        'foreign-picture',
        'A picture of this mark does not belong to this brand.',
        'Bring it in here, or remove the part.',
      );
    const file = await storedFile(sha256);
    const read = sharp(file, { limitInputPixels: MOST_PIXELS });
    const exact = isExact(file) || !(await read.stats()).isOpaque;
    const pixels = exact
      ? await read.png({ compressionLevel: 3 }).toBuffer()
      : await read.jpeg({ quality: 95, chromaSubsampling: '4:4:4' }).toBuffer();
    addresses.set(sha256, `data:image/${exact ? 'png' : 'jpeg'};base64,${pixels.toString('base64')}`);
  }
  return (sha256) => addresses.get(sha256) ?? '';
}

export async function svgPicture(subject: PictureSubject): Promise<string> {
  const { mark, box } = await frame(subject);
  return toSvg(mark.drawing, {
    box,
    title: subject.title,
    rights: rightsIn(subject),
    pictureAddress: await embedded(mark, subject.ownPictures),
  });
}

export interface PngSize {
  readonly widthPx: number;
  /** Pixels per inch to be written into the file. */
  readonly dotsPerInch?: number;
}

/** A PNG with true alpha; the ground is left out, not painted. */
export async function pngPicture(subject: PictureSubject, size: PngSize): Promise<Uint8Array> {
  const { mark, box } = await frame(subject);
  const framed = rasterFrame(box, size.widthPx);
  if (!framed.ok) throw new ProblemError(422, framed.problems);
  const { widthPx, heightPx } = framed.value;
  const pictureAddress = await embedded(mark, subject.ownPictures);
  const svg = toSvg(mark.drawing, { box: framed.value.box, title: subject.title, widthPx, heightPx, pictureAddress });
  const png = (await renderAsync(svg, { font: { loadSystemFonts: false }, fitTo: { mode: 'width', value: widthPx } })).asPng();
  const signed = withText(png, 'Copyright', rightsIn(subject).join('\n'));
  return size.dotsPerInch === undefined ? signed : withDensity(signed, size.dotsPerInch);
}
