import sharp from 'sharp';
import {
  grow,
  roundFrame,
  rightsLines,
  rightsOf,
  picturesIn,
  pictureSizes,
  type PictureAddress,
  type Bounds,
  type Dressing,
  type Palette,
  type Recipe,
  type ResolvedMark,
  type ShippedFamily,
  type Sources,
} from '$core/index';
import { drawMark } from '../draw-mark';
import { storedFile } from '../files';
import { shippedFamilies } from '../fonts';
import { isPng, MOST_PIXELS } from '../taken-picture';
import { refuse } from '../http/problem-error';

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
  /** Clear room around the ink as a share of its longer side, in percent; added to the other. */
  readonly roomPercent?: number;
  /** A round one is a square whose inscribed circle holds the mark. */
  readonly crop?: 'box' | 'round';
}

interface Framed {
  readonly mark: ResolvedMark;
  readonly box: Bounds;
}

/** The mark drawn, and the box of it that the file shows. @throws a refusal where nothing is drawn */
export async function frame(subject: PictureSubject): Promise<Framed> {
  const mark = await drawMark(subject, subject.ownFamilies);
  if (!mark.ink || mark.ink.right - mark.ink.left <= 0 || mark.ink.bottom - mark.ink.top <= 0)
    throw refuse(422, 'nothing-drawn', 'This mark draws nothing yet, so there is no picture of it.', 'Add lettering or a shape first.');
  const inside = subject.crop === 'round' ? roundFrame(mark.ink) : mark.ink;
  const room = ((subject.roomPercent ?? 0) / 100) * Math.max(inside.right - inside.left, inside.bottom - inside.top);
  return { mark, box: grow(inside, subject.paddingPx + room) };
}

/** The rights of a mark as they travel inside of its files. */
export function rightsIn({ recipe, sources, ownFamilies }: PictureSubject, mark: ResolvedMark): readonly string[] {
  const families = [...shippedFamilies(), ...ownFamilies];
  const drawn = new Map(mark.parts.map(({ id, lettering }) => [id, lettering?.families]));
  return rightsLines(
    rightsOf(recipe, sources, {
      family: (id) => families.find((family) => family.id === id),
      drawnFrom: (id) => drawn.get(id),
    }),
  );
}

/** Whether a stored picture keeps every pixel exactly. @source RFC 9649, 2.6: the simple lossless WebP begins with a VP8L chunk */
const isExact = (file: Uint8Array): boolean => isPng(file) || Buffer.from(file.subarray(12, 16)).toString('latin1') === 'VP8L';

/**
 * The pictures of a mark as data addresses in formats that every program reads: PNG where pixels are exact or clear, else JPEG.
 * @param pixelsPerMarkPx of a picture in pixels: files that are larger than they are shown are made smaller first, every pixel counted
 * (the renderer itself would take one pixel in many, and edges would be ragged)
 */
export async function embedded(mark: ResolvedMark, own: ReadonlySet<string>, pixelsPerMarkPx?: number): Promise<PictureAddress> {
  const shown = pictureSizes(mark.drawing);
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
    const whole = sharp(file, { limitInputPixels: MOST_PIXELS });
    const exact = isExact(file) || !(await whole.stats()).isOpaque;
    const size = shown.get(sha256);
    const read =
      size && pixelsPerMarkPx
        ? whole.resize({
            width: Math.max(1, Math.ceil(size.width * pixelsPerMarkPx)),
            height: Math.max(1, Math.ceil(size.height * pixelsPerMarkPx)),
            fit: 'fill',
            withoutEnlargement: true,
            kernel: 'cubic',
          })
        : whole;
    const pixels = exact
      ? await read.png({ compressionLevel: 3 }).toBuffer()
      : await read.jpeg({ quality: 95, chromaSubsampling: '4:4:4' }).toBuffer();
    addresses.set(sha256, `data:image/${exact ? 'png' : 'jpeg'};base64,${pixels.toString('base64')}`);
  }
  return (sha256) => addresses.get(sha256) ?? '';
}
