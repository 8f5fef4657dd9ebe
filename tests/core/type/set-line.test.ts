import { beforeAll, describe, expect, it } from 'vitest';
import { graphemesOf, inCase, itemize, setLine, expect as valueOf, type FontShelf, type Typeface } from '$core/index';
import { shelfOf } from '../../support/fonts';

let shelf: FontShelf;
const face = (family: string): Typeface => valueOf(shelf.find({ family, style: 'normal', axes: {} }));
const plain = { axes: {}, kerning: 'font', trackingPermille: 0 } as const;
beforeAll(async () => {
  shelf = await shelfOf('jost', 'eb-garamond', 'marcellus', 'noto-sans', 'noto-sans-hebrew', 'noto-sans-arabic');
});

describe('setLine', () => {
  it('tracks between letters and not after the last', () => {
    const free = setLine(face('jost'), 'KITE', plain);
    const tracked = setLine(face('jost'), 'KITE', { ...plain, trackingPermille: 100 });
    expect(tracked.advance - free.advance).toBeCloseTo(3 * 0.1, 9);
    expect(tracked.glyphs.map(({ x }, i) => x - (free.glyphs[i]?.x ?? NaN))).toEqual([
      0,
      expect.closeTo(0.1, 9),
      expect.closeTo(0.2, 9),
      expect.closeTo(0.3, 9),
    ]);
  });

  it('keeps a letter and its combining marks together when tracked', () => {
    const word = 'x\u0323y'; // a dot below that no font composes with x
    const free = setLine(face('noto-sans'), word, plain);
    const tracked = setLine(face('noto-sans'), word, { ...plain, trackingPermille: 200 });
    expect(graphemesOf(word)).toHaveLength(2);
    expect(tracked.advance - free.advance).toBeCloseTo(0.2, 9);
  });

  it('opens ligatures when tracked, so that the space goes between all letters', () => {
    const joined = setLine(face('eb-garamond'), 'fi', plain);
    const tracked = setLine(face('eb-garamond'), 'fi', { ...plain, trackingPermille: 50 });
    expect(joined.glyphs).toHaveLength(1);
    expect(tracked.glyphs).toHaveLength(2);
  });

  it('drops kerning only when asked', () => {
    const kerned = setLine(face('marcellus'), 'AVATAR', plain).advance;
    const unkerned = setLine(face('marcellus'), 'AVATAR', { ...plain, kerning: 'none' }).advance;
    expect(kerned).toBeLessThan(unkerned);
  });

  it('names the letters that the font lacks, and draws nothing for them', () => {
    const set = setLine(face('jost'), 'Wжind漢w', plain);
    expect(set.missing).toEqual(['ж', '漢']);
    expect(set.glyphs.every(({ glyph }) => glyph !== 0)).toBe(true);
    expect(set.glyphs).toHaveLength(5);
  });

  it('borrows letters from the fallback where it has them', () => {
    const set = setLine(face('jost'), 'Wжw', plain, face('noto-sans'));
    expect(set.missing).toEqual([]);
    expect(set.borrowed).toEqual(['ж']);
    expect(set.glyphs.every(({ glyph }) => glyph !== 0)).toBe(true);
  });

  it('sets right-to-left words from the right, inside a left-to-right line too', () => {
    const set = setLine(face('noto-sans-hebrew'), 'אבג', plain);
    expect(set.glyphs.map(({ cluster }) => cluster)).toEqual([2, 1, 0]);
    expect(itemize('ab אבג cd').map(({ direction }) => direction)).toEqual(['ltr', 'rtl', 'ltr']);
  });

  it('never tears joined letters apart', () => {
    const joined = setLine(face('noto-sans-arabic'), 'كتاب', plain);
    expect(setLine(face('noto-sans-arabic'), 'كتاب', { ...plain, trackingPermille: 300 }).advance).toBe(joined.advance);
  });

  it('sets empty text as an empty line, and 200 letters as 200 letters', () => {
    expect(setLine(face('jost'), '', plain)).toMatchObject({ glyphs: [], advance: 0, missing: [] });
    expect(setLine(face('jost'), 'W'.repeat(200), plain).glyphs).toHaveLength(200);
  });
});

describe('itemize', () => {
  // Unicode UAX 9, rule L2: runs of higher levels are reversed inside runs of lower ones.
  it('puts numbers inside right-to-left text in reading order', () => {
    const text = 'אב 12 גד';
    expect(itemize(text).map(({ start, end }) => text.slice(start, end).trim())).toEqual(['גד', '12', 'אב']);
  });
});

describe('inCase', () => {
  it('follows the full Unicode mappings and leaves marks on their letters', () => {
    expect(inCase('straße', 'upper')).toBe('STRASSE');
    expect(inCase('éCOLE du VENT', 'title')).toBe('École Du Vent');
    expect(inCase('Kite', 'typed')).toBe('Kite');
  });
});
