import type { Bounds } from '../geometry';
import type { ShapedGlyph, TextRun } from '../type';
import type { FontUnits } from '../units/quantity';

/** Where a mark goes on its letter: over or under it, with air or attached, in its middle or at its right. */
interface MarkPlace {
  readonly side: 'above' | 'below' | 'over';
  readonly attached?: true;
  readonly right?: true;
}
const ABOVE: MarkPlace = { side: 'above' };
const BELOW: MarkPlace = { side: 'below' };
const BELOW_ATTACHED: MarkPlace = { side: 'below', attached: true };

/** Places of U+0300 to U+036F, by first and last code point. @source Unicode Character Database 15, Canonical_Combining_Class */
const PLACES: readonly (readonly [number, number, MarkPlace])[] = [
  [0x300, 0x314, ABOVE],
  [0x315, 0x315, { side: 'above', right: true }],
  [0x316, 0x319, BELOW],
  [0x31a, 0x31a, { side: 'above', right: true }],
  [0x31b, 0x31b, { side: 'above', attached: true, right: true }],
  [0x31c, 0x320, BELOW],
  [0x321, 0x322, BELOW_ATTACHED],
  [0x323, 0x326, BELOW],
  [0x327, 0x328, BELOW_ATTACHED],
  [0x329, 0x333, BELOW],
  [0x334, 0x338, { side: 'over' }],
  [0x339, 0x33c, BELOW],
  [0x33d, 0x344, ABOVE],
  [0x346, 0x346, ABOVE],
  [0x347, 0x349, BELOW],
  [0x34a, 0x34c, ABOVE],
  [0x34d, 0x34e, BELOW],
  [0x350, 0x352, ABOVE],
  [0x353, 0x356, BELOW],
  [0x357, 0x357, ABOVE],
  [0x35b, 0x35b, ABOVE],
  [0x363, 0x36f, ABOVE],
];
const placeOf = (codePoint: number): MarkPlace | undefined => PLACES.find(([first, last]) => codePoint >= first && codePoint <= last)?.[2];

/** White between a letter and its mark, and between marks: this share of an em. */
const GAP = 1 / 16;

/** The marks that are left beside a letter once the font has drawn it with those that it has it with. @source HarfBuzz, hb-ot-shape-normalize.cc */
function marksLeft(text: string, covers: (codePoint: number) => boolean): readonly string[] {
  const [first = '', ...marks] = text.normalize('NFD');
  let letter = first;
  return marks.filter((mark) => {
    const together = (letter + mark).normalize('NFC');
    if ([...together].length > 1 || !covers(together.codePointAt(0) ?? 0)) return true;
    letter = together;
    return false;
  });
}

/** The room that a letter takes with the marks that it has so far; y up. */
interface Taken {
  readonly left: number;
  readonly width: number;
  top: number;
  bottom: number;
}

/**
 * Puts combining marks over and under their letters by their boxes, in fonts that do not say where they go. Left-to-right runs only.
 * @param boxOf the ink box of a glyph in font units, y down
 * @source HarfBuzz, hb-ot-shape-fallback.cc, position_mark; the shaping build leaves it out
 */
export function placeMarks(
  shaped: readonly ShapedGlyph[],
  run: TextRun,
  unitsPerEm: number,
  boxOf: (glyph: number) => Bounds | undefined,
  covers: (codePoint: number) => boolean,
): readonly ShapedGlyph[] {
  if (run.direction !== 'ltr' || !/[\u0300-\u036f]/.test(run.text)) return shaped;
  const gap = Math.trunc(unitsPerEm * GAP);
  const starts = [...new Set(shaped.map(({ cluster }) => cluster)), run.text.length];
  const placed: ShapedGlyph[] = [];
  let taken: Taken | undefined;
  let back = 0;
  let last: MarkPlace | undefined;
  let marks = 0;
  let cluster = -1;
  let left: readonly string[] = [];
  for (const glyph of shaped) {
    // A letter and its marks are one cluster; the first glyph of it is the letter.
    if (glyph.cluster !== cluster) {
      [cluster, marks, last] = [glyph.cluster, 0, undefined];
      left = marksLeft(run.text.slice(cluster, starts[starts.indexOf(cluster) + 1]), covers);
      const box = boxOf(glyph.glyph);
      taken = box && { left: 0, width: glyph.advance, top: -box.top + glyph.yOffset, bottom: -box.bottom + glyph.yOffset };
      back = glyph.advance;
      placed.push(glyph);
      continue;
    }
    const place = placeOf(left[marks++]?.codePointAt(0) ?? 0);
    const box = boxOf(glyph.glyph);
    if (!place || !taken || !box) {
      back += glyph.advance;
      placed.push(glyph);
      continue;
    }
    // Marks of another kind start again from the letter itself.
    const base: Taken = taken;
    if (last !== undefined && last !== place) {
      const letter = placed.findLast((each) => each.cluster === cluster && each.advance > 0);
      const own = letter && boxOf(letter.glyph);
      if (own) [base.top, base.bottom] = [-own.top, -own.bottom];
    }
    last = place;
    const width = box.right - box.left;
    const height = box.bottom - box.top;
    const x = base.left + (place.right ? base.width - width : Math.trunc((base.width - width) / 2)) - box.left;
    let y = 0;
    if (place.side === 'below') {
      if (!place.attached) base.bottom -= gap;
      y = base.bottom + box.top;
      // What belongs below is never moved up.
      if (y > 0) [base.bottom, y] = [base.bottom - y, 0];
      base.bottom -= height;
    } else if (place.side === 'above') {
      if (!place.attached) base.top += gap;
      y = base.top + box.bottom;
      // What belongs above is moved down by half of what it could be.
      if (y <= 0) {
        const by = Math.trunc(-y / 2);
        [base.top, y] = [base.top + by, y + by];
      }
      base.top += height;
    }
    placed.push({ ...glyph, advance: 0 as FontUnits, xOffset: Math.round(x - back) as FontUnits, yOffset: Math.round(y) as FontUnits });
  }
  return placed;
}
