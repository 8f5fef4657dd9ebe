import type { Canvas, Hex, PdfColors } from '$core/index';
import type { PictureSubject } from './subject';

/** How a file is asked for. */
export interface FileOrder {
  readonly canvas: Canvas;
  /** Painted behind the mark; nothing leaves it clear. */
  readonly ground?: Hex | undefined;
  /** Every pixel as it is, where a format can also be smaller by being less exact. */
  readonly exact?: boolean;
  /** In which colors a PDF is written. */
  readonly colors?: PdfColors;
  /** For machines that cut, stitch and engrave: one outline for each color, nothing lying on anything else. */
  readonly welded?: boolean;
  /** Further marks, each on a page of its own, where a format has pages. */
  readonly pages?: readonly PictureSubject[];
}

/** How files of one format are written, and read again. What they can hold stands in the core's own table. */
export interface Format {
  readonly make: (subject: PictureSubject, order: FileOrder) => Promise<Uint8Array>;
}
