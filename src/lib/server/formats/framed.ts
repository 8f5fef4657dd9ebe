import sharp from 'sharp';
import {
  grow,
  roundFrame,
  rightsLines,
  rightsOf,
  picturesIn,
  pictureSizes,
  type PictureAddress,
  canvasFrame,
  onPixelGrid,
  weldedOutlines,
  type CanvasFrame,
  type Drawing,
  type ResolvedMark,
} from '$core/index';
import { drawMark } from '../draw-mark';
import { storedFile } from '../files';
import { pathAlgebra, shippedFamilies } from '../fonts';
import { isPng, MOST_PIXELS } from '../taken-picture';
import { ProblemError, refuse } from '../http/problem-error';
import type { FileOrder } from './format';
import type { PictureSubject } from './subject';

export interface Framed {
  readonly mark: ResolvedMark;
  /** As the file shows it. */
  readonly drawing: Drawing;
  readonly frame: CanvasFrame;
}

/** The mark drawn, and how the file shows it. @throws a refusal where nothing is drawn, or where the canvas cannot be made */
export async function framed(
  subject: PictureSubject,
  { canvas, welded }: Pick<FileOrder, 'canvas' | 'welded'>,
  pixels: boolean,
): Promise<Framed> {
  const mark = await drawMark(subject, subject.ownFamilies);
  if (!mark.ink || mark.ink.right - mark.ink.left <= 0 || mark.ink.bottom - mark.ink.top <= 0)
    throw refuse(422, 'nothing-drawn', 'This mark draws nothing yet, so there is no picture of it.', 'Add lettering or a shape first.');
  const inside = subject.crop === 'round' ? roundFrame(mark.ink) : mark.ink;
  const room = ((subject.roomPercent ?? 0) / 100) * Math.max(inside.right - inside.left, inside.bottom - inside.top);
  const frame = canvasFrame(grow(inside, (subject.paddingPx ?? 0) + room), canvas, pixels);
  if (!frame.ok) throw new ProblemError(422, frame.problems);
  const drawing = welded ? weldedOutlines(mark.drawing, await pathAlgebra()) : mark.drawing;
  return {
    mark,
    drawing: canvas.crisp && canvas.unit === 'px' ? onPixelGrid(drawing, frame.value.box, frame.value.widthPx) : drawing,
    frame: frame.value,
  };
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

/** The file of a picture that a mark shows. @throws a refusal where it belongs to another brand, or is gone */
export async function pictureOf(sha256: string, own: ReadonlySet<string>): Promise<Uint8Array> {
  if (!own.has(sha256))
    throw refuse(422, 'foreign-picture', 'A picture of this mark does not belong to this brand.', 'Bring it in here, or remove the part.');
  return storedFile(sha256);
}

/**
 * The pictures of a mark as data addresses in formats that every program reads: PNG where pixels are exact or clear, else JPEG.
 * @param pixelsPerMarkPx of a picture in pixels: files that are larger than they are shown are made smaller first, every pixel counted
 * (the renderer itself would take one pixel in many, and edges would be ragged)
 */
export async function embedded(drawing: Drawing, own: ReadonlySet<string>, pixelsPerMarkPx?: number): Promise<PictureAddress> {
  const shown = pictureSizes(drawing);
  const addresses = new Map<string, string>();
  for (const sha256 of picturesIn(drawing)) {
    const file = await pictureOf(sha256, own);
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
