import { beforeAll, describe, expect, it } from 'vitest';
import { retext, type FontShelf, type Lettering } from '$core/index';
import { shelfOf } from '../../../support/fonts';
import { codesOf, drawnOn, letteringInput, partNamed, partOf } from '../../../support/drawn-mark';

let shelf: FontShelf;
let draw: ReturnType<typeof drawnOn>;
beforeAll(async () => {
  shelf = await shelfOf('jost', 'archivo', 'noto-sans');
  draw = drawnOn(shelf);
});
const size = { means: 'size', min: 10, max: 1000 };
const tracking = { means: 'tracking', min: 0, max: 300 };
const inkWidth = (mark: ReturnType<typeof draw>, id = 'name') => {
  const ink = partNamed(mark, id).ink;
  return (ink?.right ?? 0) - (ink?.left ?? 0);
};
const fitted = (by: readonly object[], widthPx: number, change: object = {}) =>
  draw(letteringInput({ fit: { to: { kind: 'width', widthPx }, by }, ...change }));

describe('fitting', () => {
  it.each([
    ['size', [size]],
    ['tracking', [tracking]],
    ['a width axis', [{ means: 'axis', axis: 'wdth', min: 62, max: 125 }]],
  ] as const)('brings the ink to a width by %s, within a two-thousandth', (_means, by) => {
    const font = { family: 'archivo' };
    const plain = inkWidth(draw(letteringInput({ font })));
    const mark = fitted(by, plain * 1.12, { font });
    expect(inkWidth(mark) / (plain * 1.12)).toBeCloseTo(1, 3);
    expect(codesOf(partNamed(mark, 'name'))).toEqual([]);
  });

  it('goes through the means in their order, each within its limits', () => {
    const plain = inkWidth(draw(letteringInput()));
    const narrow = { means: 'tracking', min: 0, max: 20 };
    // Tracking gives at most 20/1000 em for each of six gaps: 12 px at 100 px. Size does the rest.
    const mark = fitted([narrow, size], plain + 112);
    expect(inkWidth(mark)).toBeCloseTo(plain + 112, 1);
    const alone = fitted([narrow], plain + 112);
    expect(inkWidth(alone)).toBeCloseTo(plain + 12, 1);
    expect(codesOf(partNamed(alone, 'name'))).toEqual(['fit-not-reached']);
  });

  it('fits each line of a text to one width, or all together', () => {
    const text = 'Windrow\nKites';
    const each = fitted([size], 400, { text });
    const [w, k] = [partNamed(each, 'name').lettering?.letters[0], partNamed(each, 'name').lettering?.letters.at(-1)];
    expect(inkWidth(each)).toBeCloseTo(400, 1);
    expect(w?.halfWidthPx).toBeGreaterThan(0);
    expect(k?.index).toBe(12);
    const spanOf = (from: number, to: number, mark: typeof each) => {
      const letters = partNamed(mark, 'name').lettering?.letters.filter(({ index }) => index >= from && index <= to) ?? [];
      return Math.max(...letters.map(({ ink }) => ink?.right ?? -Infinity)) - Math.min(...letters.map(({ ink }) => ink?.left ?? Infinity));
    };
    expect(spanOf(8, 12, each)).toBeCloseTo(400, 1);
    const together = fitted([size], 400, { text, eachLine: false });
    expect(spanOf(0, 6, together)).toBeCloseTo(400, 1);
    expect(spanOf(8, 12, together)).toBeLessThan(300);
  });

  it('follows another part’s width, and fills a panel without spilling over its edge', () => {
    const panel = (widthPx: number, heightPx: number) =>
      ({ kind: 'shape', id: 'panel', form: { form: 'panel', widthPx, heightPx, cornerPx: 0 } }) as const;
    const to = (kind: string, more: object = {}) => ({ fit: { to: { kind, part: 'panel', ...more }, by: [size] } });
    expect(inkWidth(draw(panel(500, 90), letteringInput(to('part'))))).toBeCloseTo(500, 1);
    expect(inkWidth(draw(panel(620, 90), letteringInput(to('part'))))).toBeCloseTo(620, 1);
    const tall = draw(panel(900, 60), letteringInput(to('panel', { airPx: 10 })));
    const ink = partNamed(tall, 'name').ink;
    expect((ink?.bottom ?? 0) - (ink?.top ?? 0)).toBeCloseTo(40, 1);
    expect(inkWidth(draw(panel(300, 400), letteringInput(to('panel', { airPx: 10 }))))).toBeCloseTo(280, 1);
    expect(codesOf(partNamed(draw(letteringInput(to('part'))), 'name'))).toEqual(['fit-gone']);
  });

  it('spreads a ring text over an angle', () => {
    const line = { shape: 'arc', form: 'ring', side: 'over', radiusPx: 200 };
    const ring = draw(
      letteringInput({ line, fit: { to: { kind: 'angle', sweepDeg: 200 }, by: [{ means: 'tracking', min: -100, max: 2000 }] } }),
    );
    expect(partNamed(ring, 'name').lettering?.circle?.sweepDeg).toBeCloseTo(200, 1);
    const straight = draw(letteringInput({ fit: { to: { kind: 'angle', sweepDeg: 200 }, by: [size] } }));
    expect(codesOf(partNamed(straight, 'name'))).toEqual(['fit-without-circle']);
  });

  it('spreads a ring text over the angle of another, whatever its radius, and goes with it', () => {
    const by = [{ means: 'tracking', min: -300, max: 5000 }];
    const ring = (id: string, text: string, radiusPx: number, side: string, more: object) =>
      letteringInput({ id, text, line: { shape: 'arc', form: 'ring', side, radiusPx }, ...more });
    const upper = (text: string) => ring('upper', text, 260, 'over', {});
    const lower = ring('lower', 'Est', 180, 'under', { fit: { to: { kind: 'same-angle', part: 'upper' }, by } });
    for (const text of ['Windrow Kites', 'Windrow']) {
      const mark = draw(lower, upper(text));
      const sweep = partNamed(mark, 'upper').lettering?.circle?.sweepDeg ?? NaN;
      expect(partNamed(mark, 'lower').lettering?.circle?.sweepDeg).toBeCloseTo(sweep, 1);
      // In a group that is larger and turned it is the same angle.
      const grouped = draw(
        upper(text),
        { kind: 'group', id: 'group', members: ['upper'], place: { x: 40, y: 0, turnDeg: 70, scale: 2 } },
        lower,
      );
      expect(partNamed(grouped, 'lower').lettering?.circle?.sweepDeg).toBeCloseTo(sweep, 1);
    }
    expect(codesOf(partNamed(draw(lower), 'lower'))).toEqual(['angle-gone']);
    // Two that take each other's angle follow in a circle, and say so.
    const both = draw({ ...upper('ab'), fit: { to: { kind: 'same-angle', part: 'lower' }, by } } as never, lower);
    expect([...codesOf(partNamed(both, 'upper')), ...codesOf(partNamed(both, 'lower'))]).toContain('follow-circle');
  });
});

describe('a second line that stays with its first', () => {
  const second = letteringInput({
    id: 'second',
    text: 'Kite Workshop',
    case: 'upper',
    companion: { part: 'name', sizePercent: 30, gapPermille: 250 },
  });

  it('hangs under its ink, centered on it, at its share of the size, whatever happens to the first', () => {
    for (const change of [{}, { sizePx: 240 }, { text: 'Ag', place: { x: 70, y: 30, turnDeg: 0 } }]) {
      const mark = draw(letteringInput(change), second);
      const [first, other] = [partNamed(mark, 'name'), partNamed(mark, 'second')];
      const firstSize = first.lettering?.sizePx ?? 0;
      expect(other.lettering?.sizePx).toBeCloseTo(0.3 * firstSize, 6);
      expect((other.ink?.top ?? 0) - (first.ink?.bottom ?? 0)).toBeCloseTo(0.25 * firstSize, 3);
      expect((other.ink?.left ?? 0) + (other.ink?.right ?? 0)).toBeCloseTo((first.ink?.left ?? 0) + (first.ink?.right ?? 0), 3);
    }
  });

  it('says so when the first is gone, and when two follow each other in a circle, and is still drawn', () => {
    const alone = partNamed(draw(second), 'second');
    expect(codesOf(alone)).toEqual(['first-line-gone']);
    expect(alone.ink).toBeDefined();
    const circle = draw(letteringInput({ companion: { part: 'second' } }), second);
    expect(circle.parts.flatMap(codesOf)).toContain('follow-circle');
    for (const part of circle.parts) expect(part.ink).toBeDefined();
  });
});

describe('lettering that nobody should have to meet', () => {
  it.each([
    ['a path of no length', { line: { shape: 'curve', points: [] } }, 'curve-without-length'],
    ['one point', { line: { shape: 'curve', points: [{ x: 5, y: 5 }] } }, 'curve-without-length'],
    [
      'a curve shorter than its text',
      {
        line: {
          shape: 'curve',
          points: [
            { x: 0, y: 0 },
            { x: 40, y: 0 },
          ],
        },
      },
      'curve-too-short',
    ],
    ['an axis that does not exist', { font: { family: 'jost', axes: { XXXX: 3 } } }, 'axis-missing'],
    ['an axis beyond its end', { font: { family: 'jost', axes: { wght: 5000 } } }, 'axis-clamped'],
    ['a feature that does not exist', { features: { zzzz: 1 } }, 'feature-missing'],
  ])('%s is drawn all the same, and said', (_what, change, code) => {
    const part = partNamed(draw(letteringInput(change)), 'name');
    expect(codesOf(part)).toContain(code);
    expect(part.ink).toBeDefined();
  });

  it('draws cusps, 1,000 letters and both limits of size with finite numbers only', () => {
    const cusp = {
      shape: 'curve',
      points: [
        { x: -200, y: 0, outX: 400, outY: 200 },
        { x: 200, y: 0, inX: -400, inY: 200 },
      ],
      letters: 'bent',
    };
    for (const change of [
      { line: cusp },
      { line: { ...cusp, letters: 'turned' } },
      { text: 'windrow '.repeat(125), kerning: 'optical' },
      { sizePx: 1 },
      { sizePx: 10_000 },
    ]) {
      const mark = draw(letteringInput(change));
      expect(partNamed(mark, 'name').ink).toBeDefined();
      for (const group of mark.drawing.groups)
        for (const node of group.children)
          if (node.kind === 'fill') for (const value of node.path.coords) expect(Number.isFinite(value)).toBe(true);
    }
  });

  it('keeps hand adjustments when the font changes', () => {
    const kerned = partOf(letteringInput({ gaps: [{ index: 0, left: 'W', right: 'i', permille: 100 }] })) as Lettering;
    const refaced = { ...kerned, font: { ...kerned.font, family: 'archivo' } };
    const without = { ...refaced, gaps: [] };
    const advance = (part: Lettering) => partNamed(draw(part), 'name').lettering?.advancePx ?? NaN;
    expect(advance(refaced) - advance(without)).toBeCloseTo(10, 6);
    expect(retext(kerned, 'Wind').gaps).toEqual(kerned.gaps);
  });
});
