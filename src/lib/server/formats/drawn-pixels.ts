import type { Sharp } from 'sharp';
import { toSvg } from '$core/index';
import type { FileOrder } from './format';
import { embedded, framed, rightsIn } from './framed';
import { renderedFine, straight, toCodec, type StraightPixels } from './rendered';
import type { PictureSubject } from './subject';

/** A mark in pixels, and the lines of its rights. */
export interface DrawnPixels extends StraightPixels {
  readonly rights: readonly string[];
  /** Pixels per inch to be written into the file. */
  readonly dotsPerInch?: number;
}

/** Draws a mark in pixels on the canvas asked for. */
export async function drawnPixels(subject: PictureSubject, order: FileOrder): Promise<DrawnPixels> {
  const { mark, drawing, frame } = await framed(subject, order, true);
  const { box, widthPx, heightPx, dotsPerInch } = frame;
  const svg = async (finer: number) => {
    const pictureAddress = await embedded(drawing, subject.ownPictures, (finer * widthPx) / (box.right - box.left));
    return toSvg(drawing, { box, title: subject.title, widthPx, heightPx, pictureAddress });
  };
  const pixels = straight(await renderedFine(svg, { widthPx, heightPx }));
  return { ...pixels, rights: rightsIn(subject, mark), ...(dotsPerInch === undefined ? {} : { dotsPerInch }) };
}

/** A mark drawn and signed. */
export const signedPixels = async (subject: PictureSubject, order: FileOrder): Promise<Sharp> =>
  signed(await drawnPixels(subject, order), order);

/** Pixels on their ground, with rights and density, to be written in a format of the codec's. */
export function signed(drawn: DrawnPixels, order: FileOrder): Sharp {
  const { rights, dotsPerInch } = drawn;
  const read = toCodec(drawn);
  const laid = order.ground ? read.flatten({ background: order.ground }) : read;
  // The text of EXIF is plain ASCII.
  const copyright = rights
    .join('; ')
    .replace(/[^\x20-\x7e]/g, '?')
    .slice(0, 2000);
  const marked = laid.withExif({ IFD0: { Copyright: copyright } });
  return dotsPerInch === undefined ? marked : marked.withMetadata({ density: dotsPerInch });
}
