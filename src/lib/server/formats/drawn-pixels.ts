import { renderAsync } from '@resvg/resvg-js';
import sharp, { type Sharp } from 'sharp';
import { LARGEST_PICTURE_PX, rasterFrame, toSvg } from '$core/index';
import { ProblemError } from '../http/problem-error';
import type { FileOrder } from './format';
import { embedded, frame, rightsIn, type PictureSubject } from './framed';

/** A mark in pixels as a PNG without anything written into it, and the lines of its rights. */
export interface DrawnPixels {
  readonly png: Uint8Array;
  readonly rights: readonly string[];
}

/** Draws a mark in pixels at the size asked for. */
export async function drawnPixels(subject: PictureSubject, { size }: FileOrder): Promise<DrawnPixels> {
  const { mark, box } = await frame(subject);
  const framed = rasterFrame(box, size);
  if (!framed.ok) throw new ProblemError(422, framed.problems);
  const { widthPx, heightPx } = framed.value;
  const pictureAddress = await embedded(mark, subject.ownPictures, widthPx / (framed.value.box.right - framed.value.box.left));
  const svg = toSvg(mark.drawing, { box: framed.value.box, title: subject.title, widthPx, heightPx, pictureAddress });
  const drawn = await renderAsync(svg, { font: { loadSystemFonts: false }, fitTo: { mode: 'width', value: widthPx }, imageRendering: 0 });
  return { png: drawn.asPng(), rights: rightsIn(subject, mark) };
}

/** The pixels on their ground, with rights and density, to be written in a format of the codec's. */
export async function signedPixels(subject: PictureSubject, order: FileOrder): Promise<Sharp> {
  const { png, rights } = await drawnPixels(subject, order);
  const read = sharp(png, { limitInputPixels: LARGEST_PICTURE_PX * LARGEST_PICTURE_PX });
  const laid = order.ground ? read.flatten({ background: order.ground }) : read;
  // The text of EXIF is plain ASCII.
  const copyright = rights
    .join('; ')
    .replace(/[^\x20-\x7e]/g, '?')
    .slice(0, 2000);
  const marked = laid.withExif({ IFD0: { Copyright: copyright } });
  const { dotsPerInch } = order.size;
  return dotsPerInch === undefined ? marked : marked.withMetadata({ density: dotsPerInch });
}
