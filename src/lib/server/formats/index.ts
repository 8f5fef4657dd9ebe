import type { FormatName } from '$core/index';
import { avif } from './avif';
import type { Format } from './format';
import { ico } from './ico';
import { jpg } from './jpg';
import { pdf } from './pdf';
import { png } from './png';
import { svg } from './svg';
import { tif } from './tif';
import { webp } from './webp';

export type { FileOrder, Format } from './format';
export type { PictureSubject } from './subject';

/** The writers of all formats. */
export const FORMATS: { readonly [F in FormatName]: Format } = { png, webp, jpg, svg, pdf, avif, tif, ico };
