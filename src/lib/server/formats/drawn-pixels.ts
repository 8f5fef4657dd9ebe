import { renderAsync } from '@resvg/resvg-js';
import sharp, { type Sharp } from 'sharp';
import { LARGEST_PICTURE_PX, toSvg } from '$core/index';
import type { FileOrder } from './format';
import { embedded, framed, rightsIn } from './framed';
import type { PictureSubject } from './subject';

/** A mark in pixels as a PNG without anything written into it, and the lines of its rights. */
export interface DrawnPixels {
  readonly png: Uint8Array;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly rights: readonly string[];
  /** Pixels per inch to be written into the file. */
  readonly dotsPerInch?: number;
}

/** Draws a mark in pixels on the canvas asked for. */
export async function drawnPixels(subject: PictureSubject, order: FileOrder): Promise<DrawnPixels> {
  const { mark, drawing, frame } = await framed(subject, order, true);
  const { box, widthPx, heightPx, dotsPerInch } = frame;
  const pictureAddress = await embedded(drawing, subject.ownPictures, widthPx / (box.right - box.left));
  const svg = toSvg(drawing, { box, title: subject.title, widthPx, heightPx, pictureAddress });
  const drawn = await renderAsync(svg, { font: { loadSystemFonts: false }, fitTo: { mode: 'width', value: widthPx }, imageRendering: 0 });
  return { png: drawn.asPng(), widthPx, heightPx, rights: rightsIn(subject, mark), ...(dotsPerInch === undefined ? {} : { dotsPerInch }) };
}

/** The pixels on their ground, with rights and density, to be written in a format of the codec's. */
export async function signedPixels(subject: PictureSubject, order: FileOrder): Promise<Sharp> {
  const { png, rights, dotsPerInch } = await drawnPixels(subject, order);
  const read = sharp(png, { limitInputPixels: LARGEST_PICTURE_PX * LARGEST_PICTURE_PX });
  const laid = order.ground ? read.flatten({ background: order.ground }) : read;
  // The text of EXIF is plain ASCII.
  const copyright = rights
    .join('; ')
    .replace(/[^\x20-\x7e]/g, '?')
    .slice(0, 2000);
  const marked = laid.withExif({ IFD0: { Copyright: copyright } });
  return dotsPerInch === undefined ? marked : marked.withMetadata({ density: dotsPerInch });
}
