import type { FormatName } from '$core/index';
import type { Format } from './format';
import { ico } from './ico';
import { pdf } from './pdf';
import { pixelFormat } from './pixel-format';
import { svg } from './svg';

export type { FileOrder, Format } from './format';
export type { PictureSubject } from './subject';

/** The writers of all formats. */
export const FORMATS: { readonly [F in FormatName]: Format } = {
  png: pixelFormat('png'),
  webp: pixelFormat('webp'),
  jpg: pixelFormat('jpg'),
  svg,
  pdf,
  avif: pixelFormat('avif'),
  tif: pixelFormat('tif'),
  ico,
};
