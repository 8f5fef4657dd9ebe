import type { Hex, PictureSize } from '$core/index';
import type { PictureSubject } from './framed';

/** How a file is asked for. */
export interface FileOrder {
  /** In pixels; formats of outlines have no use for it. */
  readonly size: PictureSize & {
    /** Pixels per inch to be written into the file. */
    readonly dotsPerInch?: number;
  };
  /** Painted behind the mark; nothing leaves it clear. */
  readonly ground?: Hex | undefined;
}

/** One file format a mark is handed over in. */
export interface Format {
  /** As the designer chooses it. */
  readonly label: string;
  /** What is worth knowing before it is chosen, one sentence. */
  readonly about: string;
  readonly mime: string;
  /** Whether it is made of pixels, so that a size in pixels is asked for. */
  readonly pixels: boolean;
  /** Whether it can be transparent; one that cannot needs a ground. */
  readonly clear: boolean;
  readonly make: (subject: PictureSubject, order: FileOrder) => Promise<Uint8Array>;
}
