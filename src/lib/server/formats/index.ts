import type { Format } from './format';
import { jpg } from './jpg';
import { png } from './png';
import { svg } from './svg';
import { webp } from './webp';

export type { FileOrder, Format } from './format';
export type { PictureSubject } from './framed';

/** The file formats a mark is handed over in, by the ending of their files; a new one is one file and one row. The first is offered first. */
export const FORMATS = { png, webp, jpg, svg } as const satisfies Readonly<Record<string, Format>>;
export type FormatName = keyof typeof FORMATS;
export const isFormat = (name: string): name is FormatName => Object.hasOwn(FORMATS, name);

/** A format as pages choose it. */
export interface OfferedFormat extends Omit<Format, 'make' | 'mime'> {
  readonly name: string;
}
export const offeredFormats = (): readonly OfferedFormat[] =>
  Object.entries(FORMATS as Readonly<Record<string, Format>>).map(([name, { label, about, pixels, clear }]) => ({
    name,
    label,
    about,
    pixels,
    clear,
  }));
