import { beforeAll, describe, expect, it } from 'vitest';
import { EMPTY_PATH, flatten, type FontShelf } from '$core/index';
import { shelfOf } from '../../../support/fonts';
import { areaOf, codesOf, drawnOn, fillsOf, letteringInput, partNamed } from '../../../support/drawn-mark';

let shelf: FontShelf;
beforeAll(async () => {
  shelf = await shelfOf('jost', 'playfair-display', 'noto-sans', 'noto-sans-arabic', 'noto-sans-hebrew');
});
const ring = (side: 'over' | 'under', change: object = {}) => ({ shape: 'arc', form: 'ring', side, radiusPx: 200, ...change });
const lettersOn = (line: object, change: object = {}) => {
  const part = partNamed(drawnOn(shelf)(letteringInput({ line, sizePx: 60, text: 'Gorsebank Rowing', ...change })), 'name');
  if (!part.lettering) throw new Error('not a lettering');
  return { part, facts: part.lettering };
};

describe('text on a circle', () => {
  it.each(['over', 'under'] as const)('stands with the middle of every advance on the circle, %s, within 0.01 px', (side) => {
    for (const startDeg of [0, 37, -120]) {
      const { facts } = lettersOn(ring(side, { startDeg }), { trackingPermille: 40 });
      expect(facts.letters.length).toBe(16);
      for (const { at } of facts.letters) expect(Math.abs(Math.hypot(at.x, at.y) - 200)).toBeLessThan(0.01);
    }
  });

  it('runs over an angle of advance ÷ radius, at whatever height spacing is measured', () => {
    // Closed form: an arc of length L on a circle of radius r subtends L/r.
    for (const side of ['over', 'under'] as const)
      for (const spacingAtPercent of [0, 50, 100]) {
        const { facts } = lettersOn(ring(side, { spacingAtPercent }));
        const height = (spacingAtPercent / 100) * facts.capHeightPx;
        const radius = side === 'over' ? 200 + height : 200 - height;
        expect(facts.circle?.sweepDeg).toBeCloseTo(((facts.advancePx / radius) * 180) / Math.PI, 6);
        // The letters themselves say the same: from the first middle to the last, by their own angles.
        const [first, last] = [facts.letters[0], facts.letters.at(-1)];
        const between = Math.abs((last?.angleDeg ?? 0) - (first?.angleDeg ?? 0));
        const flat = facts.advancePx - (first?.halfWidthPx ?? 0) - (last?.halfWidthPx ?? 0);
        expect(between).toBeCloseTo(((flat / radius) * 180) / Math.PI, 4);
      }
  });

  it('keeps upper and lower text on one center, the lower one upright', () => {
    const upper = lettersOn(ring('over'), { text: 'NORTH' });
    const lower = lettersOn(ring('under'), { text: 'NORTH' });
    expect(lower.facts.circle?.center).toEqual(upper.facts.circle?.center);
    const middle = (facts: typeof upper.facts) => facts.letters[2];
    expect(middle(upper.facts)?.at.y).toBeLessThan(0);
    expect(middle(lower.facts)?.at.y).toBeGreaterThan(0);
    // Upright and in reading order: every letter is right of the one before, and turned by less than a quarter.
    lower.facts.letters.forEach((letter, index) => {
      expect(Math.abs(letter.angleDeg)).toBeLessThan(90);
      if (index > 0) expect(letter.at.x).toBeGreaterThan(lower.facts.letters[index - 1]?.at.x ?? Infinity);
    });
  });

  it('follows the circle of another part, both lines in one band on one center', () => {
    const disk = {
      kind: 'shape',
      id: 'disk',
      form: { form: 'disk', widthPx: 500, heightPx: 500 },
      place: { x: 40, y: -30, turnDeg: 0 },
    } as const;
    const text = (id: string, side: 'over' | 'under') =>
      letteringInput({ id, text: 'GORSEBANK', sizePx: 50, line: ring(side, { around: { part: 'disk', insetPx: 40 } }) });
    const mark = drawnOn(shelf)(disk, text('upper', 'over'), text('lower', 'under'));
    for (const id of ['upper', 'lower']) {
      const { transform, lettering } = partNamed(mark, id);
      expect([transform.e, transform.f]).toEqual([40, -30]);
      // The middle of the capitals stands 40 px inside the edge, on either side.
      const facts = lettering;
      const middle = (facts?.circle?.radiusPx ?? 0) + (id === 'upper' ? 1 : -1) * ((facts?.capHeightPx ?? 0) / 2);
      expect(middle).toBeCloseTo(210, 6);
    }
    const moved = drawnOn(shelf)({ ...disk, form: { form: 'disk', widthPx: 600, heightPx: 600 } }, text('upper', 'over'));
    expect(partNamed(moved, 'upper').lettering?.circle?.radiusPx).toBeCloseTo(
      (partNamed(mark, 'upper').lettering?.circle?.radiusPx ?? 0) + 50,
      6,
    );
  });

  it('says so when the text needs more than the whole circle, and still draws it', () => {
    const { part } = lettersOn(ring('over', { radiusPx: 20 }));
    expect(codesOf(part)).toContain('arc-too-small');
    expect(part.ink).toBeDefined();
  });

  it('sets combining and right-to-left letters on a ring', () => {
    for (const [text, family] of [
      ['e\u0301a\u0308o\u0302', 'noto-sans'],
      ['שלום', 'noto-sans-hebrew'],
      ['مرحبا', 'noto-sans-arabic'],
    ] as const) {
      const { part, facts } = lettersOn(ring('over'), { text, font: { family } });
      expect(part.ink, text).toBeDefined();
      expect(codesOf(part), text).toEqual([]);
      for (const { at } of facts.letters) expect(Math.abs(Math.hypot(at.x, at.y) - 200)).toBeLessThan(0.01);
    }
    // Hebrew reads from the right: its first letter stands clockwise of its last.
    const { facts } = lettersOn(ring('over'), { text: 'שלום', font: { family: 'noto-sans-hebrew' } });
    const at = (index: number) => facts.letters.find((letter) => letter.index === index)?.at.x ?? NaN;
    expect(at(0)).toBeGreaterThan(at(3));
  });
});

describe('letters bent with their line', () => {
  // Exact by construction (an equal-area map); checked by the shoelace formula on fine polygons of the flat and the bent outlines.
  it.each([
    ['jost', 'over', 'Windrow'],
    ['jost', 'under', 'Windrow'],
    ['playfair-display', 'over', 'GORSEBANK'],
    ['playfair-display', 'under', 'Tidewrack'],
  ] as const)('%s %s: every letter of “%s” keeps its area within a hundredth up to a half circle', (family, side, text) => {
    const flat = fillsOf(drawnOn(shelf)(letteringInput({ text, font: { family } })), 'name');
    const { facts } = lettersOn({ shape: 'straight' }, { text, font: { family }, sizePx: 100 });
    for (const sweepDeg of [30, 90, 180])
      for (const spacingAtPercent of [0, 50]) {
        const height = (spacingAtPercent / 100) * facts.capHeightPx * (side === 'over' ? 1 : -1);
        const radiusPx = (facts.advancePx * 180) / (sweepDeg * Math.PI) - height;
        // Inside a circle there is only half as much room as length × radius: taller letters cannot keep their area, and say so.
        const tallest = Math.max(
          facts.capHeightPx,
          facts.letters.reduce((most, { ink }) => Math.max(most, -(ink?.top ?? 0)), 0),
        );
        if (side === 'under' && radiusPx * radiusPx < 2 * (radiusPx + height) * tallest) {
          const tight = lettersOn(
            { shape: 'arc', form: 'arch', side, radiusPx, letters: 'bent', spacingAtPercent },
            { text, font: { family }, sizePx: 100 },
          );
          expect(codesOf(tight.part)).toContain('bend-too-tight');
          continue;
        }
        const line = { shape: 'arc', form: 'arch', side, radiusPx, letters: 'bent', spacingAtPercent };
        const bent = fillsOf(drawnOn(shelf)(letteringInput({ text, font: { family }, line })), 'name');
        expect(bent.length).toBe(flat.length);
        bent.forEach((letter, index) => {
          const [before, after] = [areaOf([flat[index] as never]), areaOf([letter])];
          expect(Math.abs(after / before - 1), `${text[index]} ${sweepDeg}° at ${spacingAtPercent} %`).toBeLessThan(0.01);
        });
      }
  });

  it('keeps the height of capitals where spacing is measured at half of it', () => {
    const line = { shape: 'arc', form: 'ring', side: 'over', radiusPx: 240, letters: 'bent', spacingAtPercent: 50 };
    const { facts } = lettersOn(line, { text: 'H', sizePx: 100 });
    const [letter] = fillsOf(drawnOn(shelf)(letteringInput({ line, text: 'H' })), 'name');
    const radii = flatten(letter?.path ?? EMPTY_PATH, 0.01).flatMap((polygon) => polygon.map(({ x, y }) => Math.hypot(x, y)));
    expect(Math.max(...radii)).toBeCloseTo(240 + facts.capHeightPx, 1);
    expect(Math.min(...radii)).toBeCloseTo(240, 1);
  });
});
