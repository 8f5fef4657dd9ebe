import type { FormatName } from '../output/file-formats';

/** What a supplier asks of files for one way of making. Figures are common practice; every supplier has figures of their own. */
export interface Process {
  readonly label: string;
  /** What the desk says it takes, one sentence. */
  readonly takes: string;
  readonly formats: readonly FormatName[];
  /** Thinnest stroke and tightest gap that hold, in mm. */
  readonly strokeMm: number;
  readonly gapMm: number;
  /** Least pixels an inch at the size on the goods; outlines have no such limit. */
  readonly dpi: number;
  /** Most solid colors; nothing where any number is printed. */
  readonly colors?: number;
  /** Whether the ground must be left out. */
  readonly clear: boolean;
  /** Size on the goods, longer side in mm. */
  readonly longerMm: { readonly least: number; readonly most: number };
  /** The exact size of the finished piece, where the process has one. */
  readonly trimMm?: { readonly width: number; readonly height: number };
  /** Printed beyond the trim on every side. */
  readonly bleedMm?: number;
  /** Machines follow outlines: no gradients, nothing half clear, nothing open, nothing that lies on anything else. */
  readonly machine?: true;
  /** Edges must be hard: every pixel is there or is not. */
  readonly hard?: true;
}

export const PROCESSES = {
  shirt: {
    label: 'shirts',
    takes: 'a transparent PNG or TIFF of 4500 × 5400 px at 300 dpi, or outlines',
    formats: ['png', 'tif', 'svg', 'pdf'],
    ...{ strokeMm: 0.35, gapMm: 0.35, dpi: 200, clear: true },
    longerMm: { least: 80, most: 460 },
  },
  card: {
    label: 'business cards',
    takes: 'a PDF of 85.6 × 53.98 mm with 3 mm bleed, in process inks',
    formats: ['pdf'],
    ...{ strokeMm: 0.1, gapMm: 0.1, dpi: 300, clear: false },
    longerMm: { least: 80, most: 100 },
    // ISO/IEC 7810:2003, table 1: ID-1.
    trimMm: { width: 85.6, height: 53.98 },
    bleedMm: 3,
  },
  sticker: {
    label: 'stickers',
    takes: 'a transparent PNG at 300 dpi, or outlines',
    formats: ['png', 'tif', 'svg', 'pdf'],
    ...{ strokeMm: 0.25, gapMm: 0.25, dpi: 250, clear: true },
    longerMm: { least: 20, most: 300 },
  },
  embroidery: {
    label: 'embroidery',
    takes: 'plain outlines in at most six colors',
    formats: ['svg', 'pdf'],
    ...{ strokeMm: 1, gapMm: 1, dpi: 0, colors: 6, clear: true, machine: true },
    longerMm: { least: 25, most: 280 },
  },
  vinyl: {
    label: 'cut vinyl',
    takes: 'closed outlines in one color',
    formats: ['svg', 'pdf'],
    ...{ strokeMm: 0.8, gapMm: 1, dpi: 0, colors: 1, clear: true, machine: true },
    longerMm: { least: 30, most: 3000 },
  },
  engraving: {
    label: 'engraving',
    takes: 'outlines in one color, or a picture of 600 dpi without gray',
    formats: ['svg', 'pdf', 'png', 'tif'],
    ...{ strokeMm: 0.2, gapMm: 0.2, dpi: 600, colors: 1, clear: true, hard: true },
    longerMm: { least: 10, most: 400 },
  },
  stamp: {
    label: 'rubber stamps',
    takes: 'outlines in one color, no larger than 80 mm',
    formats: ['svg', 'pdf'],
    ...{ strokeMm: 0.3, gapMm: 0.4, dpi: 0, colors: 1, clear: true, machine: true },
    longerMm: { least: 8, most: 80 },
  },
} as const satisfies Readonly<Record<string, Process>>;
export type ProcessName = keyof typeof PROCESSES;
export const PROCESS_NAMES = Object.keys(PROCESSES) as readonly ProcessName[];
export const processOf = (name: ProcessName): Process => PROCESSES[name];
