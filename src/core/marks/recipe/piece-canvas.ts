import { z } from 'zod';
import { grow, type Bounds } from '../../geometry';
import { MM_PER_INCH, PX_PER_INCH } from '../../units/length';
import { paintSchema } from '../drawing/paint';

export const PIECE_UNITS = ['px', 'mm', 'in'] as const;
export type PieceUnit = (typeof PIECE_UNITS)[number];

/** Sides of pieces, in mark pixels: from a label of 2 mm to a banner. */
export const PIECE_SIDE_PX = { least: 8, most: 20_000 } as const;

/** What one of each unit is worth in mark pixels. */
export const PIECE_PX_PER_UNIT = { px: 1, mm: PX_PER_INCH / MM_PER_INCH, in: PX_PER_INCH } as const;

/** Most pages that hang together. */
export const MOST_PAGES = 200;
/** Pieces that hang together as pages: all of them name the same booklet. */
const bookletSchema = z.strictObject({
  id: z.string().regex(/^[A-Za-z0-9_-]{1,64}$/, 'Expected 1 to 64 letters, digits, - or _'),
  /** Its place among them; where two say the same, the older one comes first. */
  page: z.number().int().min(1).max(9999),
});
export type PageOf = z.infer<typeof bookletSchema>;

/** A fixed canvas: what a piece stands on. Its middle is the origin of the recipe. */
export const pieceCanvasSchema = z
  .strictObject({
    width: z.number().positive().max(100_000),
    height: z.number().positive().max(100_000),
    unit: z.enum(PIECE_UNITS).default('px'),
    /** Printed beyond the edge on every side, in the canvas's unit, and cut away. */
    bleed: z.number().min(0).max(1000).default(0),
    /** Kept clear along the edge, in percent of the shorter side. */
    marginPercent: z.number().min(0).max(40).default(6),
    /** What the whole canvas is painted with; none leaves it transparent. */
    ground: paintSchema.nullable().default({ role: 'paper' }),
    /** The booklet that it is a page of, and which. */
    booklet: bookletSchema.optional(),
    /** The layout that it was poured by, where it was. */
    layout: z.string().max(40).optional(),
  })
  .refine(
    ({ width, height, unit }) => {
      const [short, long] = [Math.min(width, height), Math.max(width, height)].map((side) => side * PIECE_PX_PER_UNIT[unit]);
      return (short as number) >= PIECE_SIDE_PX.least && (long as number) <= PIECE_SIDE_PX.most;
    },
    `Expected sides of ${PIECE_SIDE_PX.least} to ${PIECE_SIDE_PX.most.toLocaleString('en')} px`,
  );
export type PieceCanvas = z.infer<typeof pieceCanvasSchema>;

/** The canvas as it is cut, in mark pixels. */
export function canvasBox({ width, height, unit }: Pick<PieceCanvas, 'width' | 'height' | 'unit'>): Bounds {
  const [x, y] = [(width * PIECE_PX_PER_UNIT[unit]) / 2, (height * PIECE_PX_PER_UNIT[unit]) / 2];
  return { left: -x, top: -y, right: x, bottom: y };
}
/** The canvas with its bleed. */
export const bleedBox = (canvas: PieceCanvas): Bounds => grow(canvasBox(canvas), canvas.bleed * PIECE_PX_PER_UNIT[canvas.unit]);
/** What words and marks keep within. */
export function safeBox(canvas: PieceCanvas): Bounds {
  const box = canvasBox(canvas);
  return grow(box, (-canvas.marginPercent / 100) * Math.min(box.right - box.left, box.bottom - box.top));
}
/** A canvas in words: “1080 × 1080 px”. */
export const pieceSizeText = ({ width, height, unit }: Pick<PieceCanvas, 'width' | 'height' | 'unit'>): string =>
  `${width} × ${height} ${unit}`;
