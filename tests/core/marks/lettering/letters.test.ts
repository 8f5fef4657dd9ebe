import { beforeAll, describe, expect, it } from 'vitest';
import { boundsOf, flatten, type FontShelf } from '$core/index';
import { segmentGrid, type Path } from '../../../../src/core/geometry';
import { jitter } from '../../../../src/core/marks/lettering/roughness';
import { shelfOf } from '../../../support/fonts';
import { areaOf, codesOf, drawnOn, fillsOf, letteringInput, partNamed } from '../../../support/drawn-mark';

let shelf: FontShelf;
let draw: ReturnType<typeof drawnOn>;
beforeAll(async () => {
  shelf = await shelfOf('jost', 'eb-garamond', 'playfair-display', 'zilla-slab', 'great-vibes', 'noto-sans');
  draw = drawnOn(shelf);
});
const fills = (change: object) => fillsOf(draw(letteringInput(change)), 'name');
const part = (change: object) => partNamed(draw(letteringInput(change)), 'name');
const at = (index: number, letter: string, look: object) => ({ at: { index, letter }, ...look });
const box = (change: object, index: number) => {
  const bounds = boundsOf(fills(change)[index]?.path ?? { verbs: '', coords: [] });
  if (!bounds) throw new Error('no ink');
  return bounds;
};

describe('one letter’s own look', () => {
  const plain = { text: 'Fry' };

  it('changes only that letter; the word stays one text', () => {
    const [before, after] = [
      fills(plain),
      fills({ ...plain, letters: [at(1, 'r', { turnDeg: 20, paint: { role: 'lead' }, opacity: 0.5 })] }),
    ];
    expect(after[0]?.path).toEqual(before[0]?.path);
    expect(after[2]?.path).toEqual(before[2]?.path);
    expect(after[1]?.path).not.toEqual(before[1]?.path);
    expect([after[1]?.color, after[1]?.opacity]).toEqual(['#4a4f4c', 0.5]);
  });

  it('flips, turns, rises and shifts about its own middle, exactly', () => {
    const plainBox = box(plain, 0);
    const flipped = box({ ...plain, letters: [at(0, 'F', { flip: 'across' })] }, 0);
    for (const side of ['left', 'right', 'top', 'bottom'] as const) expect(flipped[side]).toBeCloseTo(plainBox[side], 6);
    const upside = box({ ...plain, letters: [at(0, 'F', { turnDeg: 180 })] }, 0);
    for (const side of ['left', 'right', 'top', 'bottom'] as const) expect(upside[side]).toBeCloseTo(plainBox[side], 6);
    const moved = box({ ...plain, letters: [at(0, 'F', { risePermille: 120, shiftPermille: 45 })] }, 0);
    expect(moved.top).toBeCloseTo(plainBox.top - 12, 6);
    expect(moved.left).toBeCloseTo(plainBox.left + 4.5, 6);
    // Two flips are half a turn.
    const both = fills({ ...plain, letters: [at(0, 'F', { flip: 'both' })] })[0]?.path.coords ?? [];
    const half = fills({ ...plain, letters: [at(0, 'F', { turnDeg: 180 })] })[0]?.path.coords ?? [];
    both.forEach((value, index) => expect(value).toBeCloseTo(half[index] ?? NaN, 6));
  });

  it('can be of another font and size, on the same baseline', () => {
    const mixed = { text: 'HHH', letters: [at(1, 'H', { font: { family: 'playfair-display' }, sizePercent: 200 })] };
    expect(box(mixed, 1).bottom).toBeCloseTo(0, 6);
    expect(box(mixed, 1).top / box(mixed, 0).top).toBeGreaterThan(1.9);
    expect(codesOf(part({ text: 'H', letters: [at(0, 'H', { font: { family: 'no-such-font' } })] }))).toContain('font-missing');
  });

  it('is hidden without closing the gap, outlined without being filled', () => {
    expect(fills({ ...plain, letters: [at(1, 'r', { hidden: true })] }).length).toBe(2);
    expect(part({ ...plain, letters: [at(1, 'r', { hidden: true })] }).lettering?.advancePx).toBe(part(plain).lettering?.advancePx);
    // A band of width w around an outline of length L has the area w·L, give or take its corners: an I is a plain bar.
    const bar = box({ text: 'I' }, 0);
    const length = 2 * (bar.right - bar.left + bar.bottom - bar.top);
    const outlined = areaOf(fills({ text: 'I', letters: [at(0, 'I', { outlinePermille: 20 })] }));
    expect(outlined / (length * 2)).toBeCloseTo(1, 1);
  });

  it('holds for every such letter, and gives way to what one letter has of its own', () => {
    const looks = [{ at: { every: 'o' }, sizePercent: 50 }, at(4, 'o', { sizePercent: 150 })];
    const heights = [1, 2, 4].map((index) => {
      const { top, bottom } = box({ text: 'Boopop', letters: looks }, index);
      return bottom - top;
    });
    expect((heights[2] ?? 0) / (heights[0] ?? 1)).toBeCloseTo(3, 6);
    expect(heights[1]).toBeCloseTo(heights[0] ?? NaN, 6);
  });

  it('shows alternates and swashes that the font has, and says what it has not', () => {
    const garamond = { text: 'Quay', font: { family: 'eb-garamond', style: 'italic' } };
    const swash = { ...garamond, letters: [at(0, 'Q', { features: { swsh: 1 } })] };
    expect(fills(swash)[0]?.path).not.toEqual(fills(garamond)[0]?.path);
    expect(fills(swash)[2]?.path.verbs).toBe(fills(garamond)[2]?.path.verbs);
    expect(codesOf(part(swash))).toEqual([]);
    expect(codesOf(part({ text: 'Quay', letters: [at(0, 'Q', { features: { swsh: 1 } })] }))).toEqual(['feature-missing']);
  });

  it('opens a ligature where something happens inside it, and says so', () => {
    const fi = { text: 'fi', font: { family: 'eb-garamond' } };
    expect(fills(fi).length).toBe(1);
    for (const change of [{ gaps: [{ index: 0, left: 'f', right: 'i', permille: 60 }] }, { letters: [at(1, 'i', { turnDeg: 8 })] }]) {
      expect(fills({ ...fi, ...change }).length).toBe(2);
      expect(codesOf(part({ ...fi, ...change }))).toEqual(['ligature-opened']);
    }
  });
});

describe('gaps', () => {
  it('are adjusted by hand in 1/1000 em, exactly, right of the pair only', () => {
    const gaps = [{ index: 0, left: 'A', right: 'V', permille: -70 }];
    expect(box({ text: 'AVA', align: 'start', gaps }, 0).left).toBeCloseTo(box({ text: 'AVA', align: 'start' }, 0).left, 9);
    for (const index of [1, 2])
      expect(box({ text: 'AVA', align: 'start' }, index).left - box({ text: 'AVA', align: 'start', gaps }, index).left).toBeCloseTo(7, 6);
  });

  it('close optically where a pair is open, never so far that letters touch', () => {
    const font = { family: 'zilla-slab' };
    const none = part({ text: 'AVATAR', font, kerning: 'none' }).lettering?.advancePx ?? 0;
    const half = part({ text: 'AVATAR', font, kerning: 'optical', opticalPercent: 25 }).lettering?.advancePx ?? 0;
    const usual = part({ text: 'AVATAR', font, kerning: 'optical' }).lettering?.advancePx ?? 0;
    expect(none).toBeGreaterThan(half);
    expect(half).toBeGreaterThan(usual);
    const control = part({ text: 'HNH', font, kerning: 'optical' }).lettering?.advancePx;
    expect(control).toBeCloseTo(part({ text: 'HNH', font, kerning: 'none' }).lettering?.advancePx ?? NaN, 6);
  });
});

describe('optical kerning of letters as they stand', () => {
  const optical = { kerning: 'optical', font: { family: 'zilla-slab' }, align: 'start' } as const;
  const between = (text: string, letters: readonly object[] = [], more: object = {}) => {
    const change = { ...optical, text, letters, ...more };
    return box(change, 1).left - box(change, 0).right;
  };
  const kern = (text: string, letters: readonly object[] = [], more: object = {}) =>
    between(text, letters, more) - between(text, letters, { ...more, kerning: 'none' });

  it('sees the mirrored L’s stem beside a T, not the open corner that the font’s L has', () => {
    expect(kern('LT')).toBeLessThan(-3);
    expect(kern('LT', [at(0, 'L', { flip: 'across' })])).toBeGreaterThan(kern('LT') + 2);
  });
  it('sees both sides of a flipped A beside a V as the slopes they then are', () => {
    // A V turned by half a turn beside a V: the slopes run alike, as A beside V does.
    expect(kern('VV')).toBeGreaterThan(-2);
    expect(kern('VV', [at(0, 'V', { turnDeg: 180 })])).toBeLessThan(-6);
  });
  it('leaves what turning does not change, and does not take back what the hand shifted', () => {
    expect(kern('OH', [at(0, 'O', { flip: 'across' })])).toBeCloseTo(kern('OH'), 0);
    const shifted = [at(1, 'V', { shiftPermille: 40 })];
    expect(between('AV', shifted) - between('AV')).toBeCloseTo(4, 6);
  });
  it('sees a letter without what was cut from its right', () => {
    const points = [
      { x: 50, y: -10 },
      { x: 110, y: -10 },
      { x: 110, y: 110 },
      { x: 50, y: 110 },
    ];
    const cuts = [{ id: 'cut', at: { index: 0, letter: 'E' }, form: 'free', points }];
    expect(kern('EH', [], { cuts })).toBeLessThan(kern('EH') - 5);
  });
});

describe('small caps', () => {
  it('are the font’s own, and said to be missing where it has none', () => {
    const own = { text: 'Xx', font: { family: 'eb-garamond' }, case: 'small-caps' };
    const [capital, small] = [box(own, 0), box(own, 1)];
    expect((small.bottom - small.top) / (capital.bottom - capital.top)).toBeGreaterThan(0.55);
    expect(fills(own)[1]?.path).not.toEqual(fills({ ...own, case: 'typed' })[1]?.path);
    expect(codesOf(part({ text: 'Xx', case: 'small-caps' }))).toEqual(['feature-missing']);
  });
});

describe('roughness', () => {
  it('is the same hand for the same seed, another for another, and stays within its limits', () => {
    const rough = (seed: number) => ({ text: 'Windrow', roughness: { seed, turnDeg: 3, shiftPermille: 20, sizePercent: 4 } });
    expect(fills(rough(7))).toEqual(fills(rough(7)));
    expect(fills(rough(7))).not.toEqual(fills(rough(8)));
    const plain = fills({ text: 'Windrow' });
    const angles = new Set<string>();
    fills(rough(7)).forEach((letter, index) => {
      const [before, after] = [boundsOf(plain[index]?.path ?? letter.path), boundsOf(letter.path)];
      angles.add((after?.left ?? 0).toFixed(3));
      expect(Math.abs((after?.left ?? 0) - (before?.left ?? 0))).toBeLessThan(8);
    });
    expect(angles.size).toBe(7);
  });

  it('turns, shifts and sizes each letter by chances of its own: none of the four tells another, and each goes all the way', () => {
    const hand = { seed: 11, turnDeg: 1, shiftPermille: 1, sizePercent: 100 };
    const all = Array.from({ length: 3000 }, (_, index) => jitter(hand, index));
    const channels = [all.map((at) => at.turnDeg), all.map((at) => at.x), all.map((at) => at.y), all.map((at) => at.size - 1)];
    const mean = (of: readonly number[]) => of.reduce((sum, value) => sum + value, 0) / of.length;
    const together = (a: readonly number[], b: readonly number[]) => mean(a.map((value, at) => value * (b[at] ?? 0)));
    channels.forEach((one, at) => {
      expect(Math.abs(mean(one))).toBeLessThan(0.05);
      // Even between −1 and 1: the variance is a third.
      expect(together(one, one)).toBeCloseTo(1 / 3, 1);
      expect(Math.min(...one)).toBeLessThan(-0.99);
      expect(Math.max(...one)).toBeGreaterThan(0.99);
      for (const other of channels.slice(at + 1)) expect(Math.abs(together(one, other)) * 3).toBeLessThan(0.08);
    });
  });
});

describe('letters that touch', () => {
  const gapOf = (change: object) => {
    const marks = fills(change);
    return boundsOf(marks[1]?.path ?? { verbs: '', coords: [] })?.left ?? NaN;
  };
  it('meet to within the overlap, and no farther', () => {
    // Two bars: the right edge of one and the left edge of the other are known exactly.
    const touching = { text: 'II', touch: { mostPermille: 400, overlapPermille: 4 } };
    const right = boundsOf(fills(touching)[0]?.path ?? { verbs: '', coords: [] })?.right ?? NaN;
    expect(gapOf(touching) - right).toBeCloseTo(-0.4, 3);
    expect(codesOf(part(touching))).toEqual([]);
  });
  it('say so when the limit keeps them apart', () => {
    const kept = { text: 'II', touch: { mostPermille: 10 } };
    expect(codesOf(part(kept))).toEqual(['letters-apart']);
    expect(gapOf({ text: 'II' }) - gapOf(kept)).toBeCloseTo(1, 6);
  });
  it('turn within their limit where moving is not enough', () => {
    const moved = { text: 'LV', touch: { mostPermille: 60, mostDeg: 0 } };
    const turned = { text: 'LV', touch: { mostPermille: 60, mostDeg: 20 } };
    expect(fills(turned)[1]?.path).not.toEqual(fills(moved)[1]?.path);
  });
});

describe('underlines', () => {
  it('run under their letters only and stop short of what descends', () => {
    const letters = [0, 1, 2].map((index) => at(index, 'Hog'[index] ?? '', { underlined: true }));
    const marks = fills({ text: 'Hogs', letters });
    expect(marks.length).toBe(5);
    const line = boundsOf(marks[4]?.path ?? { verbs: '', coords: [] });
    const [first, last] = [part({ text: 'Hogs', letters }).lettering?.letters[0], part({ text: 'Hogs', letters }).lettering?.letters[2]];
    expect(line?.left).toBeCloseTo((first?.at.x ?? 0) - (first?.halfWidthPx ?? 0), 3);
    expect(line?.right).toBeLessThanOrEqual((last?.at.x ?? 0) + (last?.halfWidthPx ?? 0) + 0.01);
    // The g goes through the line: ink of the line is missing there.
    const whole = ((line?.right ?? 0) - (line?.left ?? 0)) * ((line?.bottom ?? 0) - (line?.top ?? 0));
    expect(areaOf([marks[4] as never])).toBeLessThan(whole * 0.95);
  });

  it('keep 35/1000 em of white from what descends through them', () => {
    const letters = [at(0, 'j', { underlined: true }), at(1, 'j', { underlined: true })];
    const [first, second, line] = fills({ text: 'jj', sizePx: 1000, letters });
    const grid = (path: Path) => flatten(path, 0.05);
    const ink = [first, second].flatMap((mark) => grid(mark?.path ?? { verbs: '', coords: [] }));
    const sides = segmentGrid(ink);
    let nearest = Infinity;
    for (const { x, y } of grid(line?.path ?? { verbs: '', coords: [] }).flat())
      sides.near(x - 60, y - 60, x + 60, y + 60, (side) => {
        const [x0 = 0, y0 = 0, x1 = 0, y1 = 0] = sides.ends.subarray(4 * side, 4 * side + 4);
        const [dx, dy] = [x1 - x0, y1 - y0];
        const along = Math.min(1, Math.max(0, ((x - x0) * dx + (y - y0) * dy) / (dx * dx + dy * dy || 1)));
        nearest = Math.min(nearest, Math.hypot(x0 + along * dx - x, y0 + along * dy - y));
      });
    expect(nearest).toBeGreaterThan(34.5);
    expect(nearest).toBeLessThan(36);
  });
});
