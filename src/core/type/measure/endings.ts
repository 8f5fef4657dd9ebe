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

/** Widths of a half-round end of width 1 at a tenth and at three tenths of it above its foot: 2·√(h·(1 − h)). */
const HALF_ROUND = { low: 0.6, high: 0.917 } as const;

/**
 * How round stroke ends are, in [0, 1]: 0 is cut square or pointed, 1 a full half circle. Read at a tenth of the stem above the foot,
 * where a half circle is 0.6 stems wide, and at three tenths, where it is 0.92 wide again but a point is still narrow.
 */
export function endRoundness(sheet: GlyphSheet): number | undefined {
  const ends = present(
    FOOTED.map((letter) => {
      const stem = foot(sheet, letter, 8)?.stem;
      if (stem === undefined) return undefined;
      const [low, high] = [foot(sheet, letter, 0.1 * stem), foot(sheet, letter, 0.3 * stem)];
      return low && high && { low: low.foot / stem, high: high.foot / stem };
    }),
  );
  const [low, high] = [median(ends.map((end) => end.low)), median(ends.map((end) => end.high))];
  if (low === undefined || high === undefined) return undefined;
  const drawnIn = Math.min(1, Math.max(0, (1 - low) / (1 - HALF_ROUND.low)));
  const fullAgain = Math.min(1, Math.max(0, (high - 0.5) / (HALF_ROUND.high - 0.5)));
  return drawnIn * fullAgain;
}
