import { inkRuns } from '../../geometry';
import type { GlyphSheet } from './glyph-sheet';
import { median, present, steps } from './statistics';

/** Letters with a stem whose left edge is straight in most designs. */
const STEMMED = ['H', 'I', 'l', 'h', 'E', 'D', 'n', 'i', 'N', 'M', 'F', 'P', 'R'];

/** A stem edge counts as straight when its scan points lie within this of one line, in 1/1000 em (root mean square). */
const STRAIGHT_WITHIN = 3;

interface Lean {
  readonly deg: number;
  readonly residual: number;
}

/** The lean of one letter's left edge: least-squares line through scan lines between 30 % and 70 % of its height, clear of serifs and of the ends of bars. */
function lean(sheet: GlyphSheet, character: string): Lean | undefined {
  const glyph = sheet.glyph(character);
  if (!glyph) return undefined;
  const height = glyph.box.top - Math.max(0, glyph.box.bottom);
  const points = present(
    steps(glyph.box.top - height * 0.7, glyph.box.top - height * 0.3, 21).map((y) => {
      const run = inkRuns(glyph.polygons, 'x', y)[0];
      return run && { x: run.start, y };
    }),
  );
  if (points.length < 12) return undefined;
  const x0 = points.reduce((sum, { x }) => sum + x, 0) / points.length;
  const y0 = points.reduce((sum, { y }) => sum + y, 0) / points.length;
  const slope = points.reduce((sum, { x, y }) => sum + (x - x0) * (y - y0), 0) / points.reduce((sum, { y }) => sum + (y - y0) ** 2, 0);
  const residual = Math.sqrt(points.reduce((sum, { x, y }) => sum + (x - x0 - slope * (y - y0)) ** 2, 0) / points.length);
  return { deg: (-Math.atan(slope) * 180) / Math.PI, residual };
}

/**
 * How far stems lean, in degrees counter-clockwise from upright, so that italics are negative: the median over letters with a straight stem,
 * or over all where no stem is straight.
 * @source the sign of `italicAngle`, ISO/IEC 14496-22, 5.2.9 "post"
 */
export function slantDeg(sheet: GlyphSheet): number | undefined {
  const leans = present(STEMMED.map((character) => lean(sheet, character)));
  const straight = leans.filter(({ residual }) => residual <= STRAIGHT_WITHIN);
  return median((straight.length >= 3 ? straight : leans).map(({ deg }) => deg));
}
