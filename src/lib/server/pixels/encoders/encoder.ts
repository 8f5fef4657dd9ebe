import type { Sharp } from 'sharp';
import { toCodec, type StraightPixels } from '../rendered';

/** How pixels are written. */
export interface Writing {
  /** Painted behind the mark, as #rrggbb; nothing leaves it clear. */
  readonly ground?: string | undefined;
  /** Every pixel as it is, where a format can also be smaller by being less exact. */
  readonly exact?: boolean | undefined;
  /** Pixels per inch to be written into the file. */
  readonly dotsPerInch?: number | undefined;
  /** Pixels per inch that were asked for, whatever the unit. */
  readonly dpi?: number | undefined;
  /** The lines of the mark's rights. */
  readonly rights: readonly string[];
}

/** Writes pixels in one format. */
export type Encoder = (pixels: StraightPixels, writing: Writing) => Promise<Uint8Array>;

/** Pixels on their ground, with rights and density, to be written in a format of the codec's. */
export function signed(pixels: StraightPixels, { ground, rights, dotsPerInch }: Writing): Sharp {
  const read = toCodec(pixels);
  const laid = ground ? read.flatten({ background: ground }) : read;
  // The text of EXIF is plain ASCII.
  const copyright = rights
    .join('; ')
    .replace(/[^\x20-\x7e]/g, '?')
    .slice(0, 2000);
  const marked = laid.withExif({ IFD0: { Copyright: copyright } });
  return dotsPerInch === undefined ? marked : marked.withMetadata({ density: dotsPerInch });
}
