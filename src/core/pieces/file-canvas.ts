import { PIECE_PX_PER_UNIT, type PieceCanvas } from '../marks';
import { canvasSchema, MOST_BLEED_MM, type Canvas } from '../output/canvas';

/** Pixels per inch of pieces whose size is said in mm or inch. */
const PRINT_DPI = 300;

/** A piece's own canvas as that of its file. @param bleeds whether the file is printed from, so that what is cut away belongs to it */
export const fileCanvas = ({ width, height, unit, bleed }: PieceCanvas, bleeds: boolean): Canvas =>
  canvasSchema.parse({
    ...{ width, height, unit },
    // A canvas may say more than any file holds.
    bleedMm: bleeds ? Math.min(MOST_BLEED_MM, (bleed * PIECE_PX_PER_UNIT[unit]) / PIECE_PX_PER_UNIT.mm) : 0,
    ...(unit === 'px' ? {} : { dpi: PRINT_DPI }),
  });
