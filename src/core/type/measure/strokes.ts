import { inkRuns } from '../../geometry';
import type { GlyphSheet, MeasuredGlyph } from './glyph-sheet';
import { median, present, steps } from './statistics';

const horizontalRun = (glyph: MeasuredGlyph, y: number, index: number) => inkRuns(glyph.polygons, 'x', y).at(index);

/** Median width of a letter's first stem on scan lines between two shares of a height, set square to the lean. */
function stemOf(
  glyph: MeasuredGlyph | undefined,
  height: number | undefined,
  from: number,
  to: number,
  slantDeg: number,
): number | undefined {
  if (!glyph || height === undefined) return undefined;
  const widths = present(steps(height * from, height * to, 15).map((y) => horizontalRun(glyph, y, 0))).map((run) => run.end - run.start);
  const width = median(widths);
  return width === undefined ? undefined : width * Math.cos((slantDeg * Math.PI) / 180);
}

/**
 * Thickness of upright strokes, in 1/1000 em: the left stems of n and H, clear of serifs, arch and bar, measured square to the stroke.
 * The lower case counts where it has a clean stem; otherwise the capital.
 */
export function stem(sheet: GlyphSheet, slantDeg: number): number | undefined {
  const H = sheet.glyph('H');
  const capital = stemOf(H, H?.box.top, 0.2, 0.35, slantDeg);
  const x = sheet.glyph('x')?.box.top;
  const lower = median(present(['n', 'i', 'r'].map((letter) => stemOf(sheet.glyph(letter), x, 0.3, 0.5, slantDeg))));
  return lower ?? capital;
}

/** Thickness of the capitals' stems, in 1/1000 em: the left stem of H below its bar. */
export function capitalStem(sheet: GlyphSheet, slantDeg: number): number | undefined {
  const H = sheet.glyph('H');
  return stemOf(H, H?.box.top, 0.2, 0.35, slantDeg);
}

/** Thickness of a letter's stroke where a vertical line through `share` of its width meets it first from below or above. */
function crossing(glyph: MeasuredGlyph | undefined, share: number, end: 'lowest' | 'highest'): number | undefined {
  if (!glyph) return undefined;
  const runs = inkRuns(glyph.polygons, 'y', glyph.box.left + share * (glyph.box.right - glyph.box.left));
  const run = end === 'lowest' ? runs[0] : runs.at(-1);
  return run && run.end - run.start;
}

/** Thinnest regular strokes, in 1/1000 em: the least of the bar of H, the bar of e, and the top and foot of o and O. Serifs are not strokes. */
export function hairline(sheet: GlyphSheet): number | undefined {
  const around = (letter: string) =>
    [0.4, 0.45, 0.5, 0.55, 0.6].flatMap((share) => [
      crossing(sheet.glyph(letter), share, 'lowest'),
      crossing(sheet.glyph(letter), share, 'highest'),
    ]);
  const H = sheet.glyph('H');
  const bar = H && crossing(H, 0.5, 'lowest');
  const thinnest = present([bar, ...around('o'), ...around('O'), crossing(sheet.glyph('e'), 0.5, 'highest')]);
  return thinnest.length === 0 ? undefined : Math.min(...thinnest);
}

/**
 * Direction of the thin places of o, in degrees from upright: 0 is a vertical axis, negative leans to the left as broad-pen writing does.
 * The stroke is measured along 180 lines through the counter's middle; the axis is that of the second moment of thinness.
 */
export function stressDeg(sheet: GlyphSheet): number | undefined {
  const o = sheet.glyph('o') ?? sheet.glyph('O');
  if (!o) return undefined;
  const center = { x: (o.box.left + o.box.right) / 2, y: (o.box.top + o.box.bottom) / 2 };
  let cos = 0;
  let sin = 0;
  let total = 0;
  for (let degrees = 0; degrees < 180; degrees++) {
    const angle = (degrees * Math.PI) / 180;
    // Turn the letter so that the line lies along y, then read the outermost strokes on it.
    const turned = o.polygons.map((polygon) =>
      polygon.map(({ x, y }) => ({
        x: (x - center.x) * Math.cos(angle) - (y - center.y) * Math.sin(angle),
        y: (x - center.x) * Math.sin(angle) + (y - center.y) * Math.cos(angle),
      })),
    );
    const runs = inkRuns(turned, 'y', 0);
    const [first, last] = [runs[0], runs.at(-1)];
    if (!first || !last || first === last) return undefined; // No counter to look through.
    const thickness = (first.end - first.start + last.end - last.start) / 2;
    const thinness = 1 / Math.max(thickness, 1) ** 2;
    cos += thinness * Math.cos(2 * angle);
    sin += thinness * Math.sin(2 * angle);
    total += thinness;
  }
  // A stroke of even thickness has no direction; below 12 % of modulation the axis is noise, and counts as upright.
  if (Math.hypot(cos, sin) / total < 0.12) return 0;
  return (Math.atan2(sin, cos) / 2 / Math.PI) * 180;
}
