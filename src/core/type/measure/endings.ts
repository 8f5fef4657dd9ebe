import { inkRuns } from '../../geometry';
import type { GlyphSheet } from './glyph-sheet';
import { median, present } from './statistics';

/** Letters that end in a plain foot when they have no serif. */
const FOOTED = ['H', 'I', 'n', 'h', 'r', 'T'];

/**
 * The width of a letter's foot under its first stem at a height above the foot, and the stem's own.
 * A cupped foot shows as several runs; they count from the first to the last that begins under the stem.
 */
function foot(sheet: GlyphSheet, letter: string, height: number) {
  const glyph = sheet.glyph(letter);
  if (!glyph) return undefined;
  const stemRun = inkRuns(glyph.polygons, 'x', glyph.box.top * 0.3)[0];
  const runs = inkRuns(glyph.polygons, 'x', glyph.box.bottom + height);
  const first = runs[0];
  if (!stemRun || !first) return undefined;
  const last = runs.filter((run) => run.start <= stemRun.end).at(-1) ?? first;
  return { stem: stemRun.end - stemRun.start, foot: last.end - first.start };
}

/** How far feet reach beyond their stems, as a share of the stem: 0 without serifs. */
export function serifReach(sheet: GlyphSheet): number | undefined {
  // Cupped and rounded feet are widest a little above their lowest point.
  const reaches = FOOTED.map((letter) =>
    present([8, 14, 20].map((height) => foot(sheet, letter, height))).map(({ stem, foot: width }) => width / stem - 1),
  );
  const reach = median(reaches.filter((each) => each.length > 0).map((each) => Math.max(...each)));
  return reach === undefined ? undefined : Math.max(0, reach);
}

/** From this reach on a face counts as having serifs; flared endings stay below it. */
export const SERIF_REACH = 0.35;

/**
 * How round stroke ends are, in [0, 1]: 0 is cut square, 1 a full half circle. At a tenth of the stem above its foot
 * a half circle is 0.6 stems wide (2·√(0.1·0.9)); the width there is read between the two.
 */
export function endRoundness(sheet: GlyphSheet): number | undefined {
  const widths = present(
    FOOTED.map((letter) => {
      const measured = foot(sheet, letter, 8);
      return measured && foot(sheet, letter, 0.1 * measured.stem);
    }),
  ).map(({ stem, foot: width }) => width / stem);
  const width = median(widths);
  return width === undefined ? undefined : Math.min(1, Math.max(0, (1 - width) / (1 - 0.6)));
}
