import { describe, expect, it } from 'vitest';
import {
  contactLines,
  contactStarts,
  createPart,
  EMPTY_RECIPE,
  expect as valueOf,
  type Bounds,
  type KnownInput,
  withStarted,
} from '$core/index';
import { drawnOn, letteringInput, partNamed } from '../../support/drawn-mark';
import { shelfOf } from '../../support/fonts';

const draw = drawnOn(await shelfOf('jost', 'marcellus'));
const SYMBOLS: readonly KnownInput[] = [
  { kind: 'shape', id: 's0', form: { form: 'disk', widthPx: 40, heightPx: 40 } },
  { kind: 'shape', id: 's1', form: { form: 'panel', widthPx: 300, heightPx: 90, cornerPx: 0 }, place: { x: 500, y: 9, turnDeg: 0 } },
  { kind: 'shape', id: 's2', form: { form: 'drop', widthPx: 10, heightPx: 80 }, place: { x: -70, y: 900, turnDeg: 0 } },
] as readonly KnownInput[];
const TEXTS = [
  letteringInput({ id: 't0', text: 'HELLO', sizePx: 50 }),
  letteringInput({ id: 't1', text: 'HELLO there', sizePx: 20, place: { x: 33, y: 44, turnDeg: 0 } }),
  letteringInput({ id: 't2', text: 'Hop', sizePx: 90, align: 'end' }),
];
const lines = [0, 1, 2].map((n) => ({ symbol: `s${n}`, text: `t${n}` }));
const contact = (more: object = {}): KnownInput =>
  ({ kind: 'contact', id: 'contact', members: [...SYMBOLS, ...TEXTS].map(({ id }) => id), lines, ...more }) as KnownInput;
const size = ({ top, bottom }: Bounds) => bottom - top;
const inkOf = (mark: ReturnType<typeof draw>, id: string): Bounds => {
  const { ink } = partNamed(mark, id);
  if (!ink) throw new Error(`no ink of ${id}`);
  return ink;
};

describe('contact lines', () => {
  it('share one height of capitals, one of symbols, one gap, and even baselines', () => {
    const mark = draw(...SYMBOLS, ...TEXTS, contact({ heightPercent: 150, gapPercent: 80, leadingPercent: 300 }));
    const [first, second, third] = [0, 1, 2].map((n) => ({ symbol: inkOf(mark, `s${n}`), text: inkOf(mark, `t${n}`) }));
    if (!first || !second || !third) throw new Error('no lines');
    const caps = partNamed(draw(TEXTS[0] as KnownInput), 't0').lettering?.capHeightPx ?? NaN;
    for (const { symbol, text } of [first, second, third]) {
      expect(size(symbol) / caps).toBeCloseTo(1.5, 6);
      // Capitals of one height: “H” is as tall as the face’s capitals say, in all three.
      expect(text.left - first.text.left).toBeCloseTo(0, 6);
      expect((symbol.left + symbol.right) / 2).toBeCloseTo((first.symbol.left + first.symbol.right) / 2, 6);
    }
    // The widest symbol is as wide as the room; the gap is counted from there.
    expect((first.text.left - second.symbol.right) / caps).toBeCloseTo(0.8, 6);
    const middle = ({ top, bottom }: Bounds) => (top + bottom) / 2;
    expect((middle(second.symbol) - middle(first.symbol)) / caps).toBeCloseTo(3, 6);
    expect((middle(third.symbol) - middle(second.symbol)) / caps).toBeCloseTo(3, 6);
    // Symbols stand at the middle of the capitals.
    expect(middle(first.symbol)).toBeCloseTo(-caps / 2, 6);
  });

  it('run in a row, centered or from the start, without touching', () => {
    for (const align of ['start', 'center']) {
      const mark = draw(...SYMBOLS, ...TEXTS, contact({ run: 'row', align }));
      const boxes = [0, 1, 2].flatMap((n) => [inkOf(mark, `s${n}`), inkOf(mark, `t${n}`)]);
      boxes.slice(1).forEach((box, at) => expect(box.left).toBeGreaterThan(boxes[at]?.right ?? Infinity));
      const { ink } = partNamed(mark, 'contact');
      // Centered but for the white beside the first symbol, which is narrower than its room; or begun at the origin.
      if (align === 'center') expect(Math.abs((ink?.left ?? 0) + (ink?.right ?? 0)) / 2).toBeLessThan(40);
      else expect(ink?.left ?? -1).toBeGreaterThanOrEqual(0);
      expect(size(boxes[1] as Bounds)).toBeGreaterThan(0);
    }
  });

  it('leave out what has no words, and say so; a line without a symbol keeps its place', () => {
    const bare = draw(...TEXTS.slice(0, 1), ...SYMBOLS, contact());
    expect(partNamed(bare, 'contact').notices.map(({ code }) => code)).toEqual(['contact-incomplete']);
    const mark = draw(...SYMBOLS, ...TEXTS, contact({ lines: [{ symbol: null, text: 't0' }, ...lines.slice(1)] }));
    expect(inkOf(mark, 't0').left).toBeCloseTo(inkOf(mark, 't1').left, 6);
  });

  it('that are typed get the symbol of where they lead', () => {
    const arts = (...texts: string[]) => contactStarts(texts).map(({ art }) => art.replace('ph/', '').replace('-fill', ''));
    expect(
      arts('+44 (0)1 234-567', 'hire@saltrow.example', 'saltrow.example/hire', 'www.saltrow.example', 'https://saltrow.example'),
    ).toEqual(['phone', 'envelope', 'globe', 'globe', 'globe']);
    // Neither a house number, nor a year, nor a sentence with a dot leads to a phone or a site.
    expect(arts('12 The Slip', '1987', 'St. Brannoc', 'شارع البحر 3', '')).toEqual(['map-pin', 'map-pin', 'map-pin', 'map-pin']);
    expect(contactStarts()).toHaveLength(4);
  });

  it('start with as many lines as are asked for, under the mark, each part with an id of its own', () => {
    const starts = Array.from({ length: 5 }, (_, n) => ({ symbol: n === 2 ? undefined : (SYMBOLS[0] as KnownInput), text: `Line ${n}` }));
    const name = valueOf(createPart(letteringInput({ text: 'NAME', id: 'symbol' })));
    const recipe = { ...EMPTY_RECIPE, parts: [name] };
    const started = contactLines(recipe, starts, { family: 'jost', ink: { left: 0, right: 400, top: -80, bottom: 0 } });
    const grown = withStarted(recipe, started);
    expect(new Set(grown.parts.map(({ id }) => id)).size).toBe(1 + 5 + 4 + 1);
    const mark = draw(...(grown.parts as readonly KnownInput[]));
    expect(inkOf(mark, started.chosen).top).toBeGreaterThan(0);
    expect(mark.parts.every(({ notices }) => notices.length === 0)).toBe(true);
  });
});
