import { beforeAll, describe, expect, it } from 'vitest';
import { boundsOf, type FontShelf } from '$core/index';
import { combineFlattened } from '$core/pathops';
import { shelfOf } from '../../../support/fonts';
import { areaOf, drawnOn, fillsOf, letteringInput } from '../../../support/drawn-mark';

let shelf: FontShelf;
let draw: ReturnType<typeof drawnOn>;
beforeAll(async () => {
  shelf = await shelfOf('jost');
  draw = drawnOn(shelf);
});
const fills = (change: object) => fillsOf(draw(letteringInput(change)), 'name');
/** A Jost I at 100 px is a bar from the baseline to the cap height: every cut in it has a closed form. */
const bar = () => {
  const box = boundsOf(fills({ text: 'I' })[0]?.path ?? { verbs: '', coords: [] });
  if (!box) throw new Error('no ink');
  return { width: box.right - box.left, height: box.bottom - box.top };
};
const cutIn = (cut: object, change: object = {}) =>
  areaOf(fills({ text: 'I', cuts: [{ id: 'cut', at: { index: 0, letter: 'I' }, ...cut }], ...change }));

describe('cuts', () => {
  it('take out a bar of their thickness across the letter', () => {
    const { width, height } = bar();
    expect(cutIn({ form: 'bar', gapPermille: 50 })).toBeCloseTo(width * height - width * 5, 3);
    // Turned by 30° it crosses 1/cos 30° as much of the stem.
    expect(cutIn({ form: 'bar', gapPermille: 50, angleDeg: 30, lengthPercent: 400 })).toBeCloseTo(
      width * height - (width * 5) / Math.cos(Math.PI / 6),
      3,
    );
  });

  it('take out a wedge, half of its bounding strip', () => {
    const { width, height } = bar();
    // Pointing up from the middle, it opens from 0 to its mouth over the half height; the mouth is narrower than the stem.
    const half = height / 2;
    const length = Math.hypot(width, height);
    const mouth = 6;
    const inside = (mouth * (half / length) * half) / 2;
    expect(cutIn({ form: 'wedge', gapPermille: 60, angleDeg: -90, lengthPercent: 100 })).toBeCloseTo(width * height - inside, 2);
  });

  it('take out an arc of their thickness: a strip along a circle has the area of its middle line times its thickness', () => {
    const big = { text: 'I', letters: [{ at: { index: 0, letter: 'I' }, sizePercent: 1000 }] };
    const before = areaOf(fills(big));
    const cut = { id: 'cut', at: { index: 0, letter: 'I' }, form: 'arc', gapPermille: 30, lengthPercent: 6, bendDeg: 120 };
    const box = boundsOf(fills(big)[0]?.path ?? { verbs: '', coords: [] });
    const length = Math.hypot((box?.right ?? 0) - (box?.left ?? 0), (box?.bottom ?? 0) - (box?.top ?? 0)) * 0.06;
    expect(before - areaOf(fills({ ...big, cuts: [cut] }))).toBeCloseTo(length * 3, 0);
  });

  it('slice the letter in two and push one side along, keeping all of it', () => {
    const { width, height } = bar();
    const sliced = { id: 'cut', at: { index: 0, letter: 'I' }, form: 'slice', gapPermille: 0, shiftPermille: 40 };
    const [letter] = fills({ text: 'I', cuts: [sliced] });
    expect(areaOf([letter as never])).toBeCloseTo(width * height, 2);
    const box = boundsOf(letter?.path ?? { verbs: '', coords: [] });
    expect((box?.right ?? 0) - (box?.left ?? 0)).toBeCloseTo(width + 4, 3);
    expect(cutIn({ form: 'slice', gapPermille: 30, shiftPermille: 40 })).toBeCloseTo(width * height - width * 3, 2);
  });

  it('take out a free shape given in percent of the letter’s box', () => {
    const { width, height } = bar();
    const points = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 50 },
    ];
    expect(cutIn({ form: 'free', points })).toBeCloseTo(width * height * 0.75, 3);
  });

  it('run through the whole line at one height, and stay when the text or the size changes', () => {
    const cuts = [{ id: 'cut', at: null, form: 'bar', downPercent: 50, gapPermille: 40, lengthPercent: 400 }];
    for (const text of ['II', 'IIII']) {
      const { width, height } = bar();
      expect(areaOf(fills({ text, cuts }))).toBeCloseTo(text.length * (width * height - width * 4), 2);
    }
    const double = areaOf(fills({ text: 'II', cuts, sizePx: 200 }));
    expect(double / areaOf(fills({ text: 'II', cuts }))).toBeCloseTo(4, 4);
  });

  it('belong to their letter: they turn with it, and leave its neighbors alone', () => {
    const cuts = [{ id: 'cut', at: { index: 0, letter: 'I' }, form: 'bar', gapPermille: 50 }];
    expect(areaOf([fills({ text: 'II', cuts })[1] as never])).toBeCloseTo(bar().width * bar().height, 3);
    const turned = cutIn({ form: 'bar', gapPermille: 50 }, { letters: [{ at: { index: 0, letter: 'I' }, turnDeg: 33 }] });
    expect(turned).toBeCloseTo(bar().width * (bar().height - 5), 2);
  });
});

describe('a ring or line around a letter', () => {
  it('stops short of it by the white that is asked for', () => {
    const belts = [{ id: 'belt', at: { index: 0, letter: 'I' }, form: 'line', widthPercent: 600, bandPermille: 20, stopPermille: 30 }];
    const [letter, line] = fills({ text: 'I', belts });
    const { width } = bar();
    // The line is six stems long and loses the stem and the white on both sides.
    expect(areaOf([line as never])).toBeCloseTo((6 * width - width - 2 * 3) * 2, 2);
    // An independent library finds nothing in common, and nothing nearer than the white.
    const common = combineFlattened(
      'intersect',
      { path: letter?.path as never, rule: 'nonzero' },
      { path: line?.path as never, rule: line?.rule ?? 'nonzero' },
    );
    expect(common.path.verbs).toBe('');
  });
  it('follows the letter as it is sliced and pushed, by its own cut or by one through the whole line', () => {
    const belts = [
      { id: 'belt', at: { index: 0, letter: 'I' }, form: 'line', widthPercent: 600, downPercent: 25, bandPermille: 20, stopPermille: 30 },
    ];
    const slice = { id: 'cut', form: 'slice', downPercent: 50, gapPermille: 0, shiftPermille: 60 };
    for (const at of [{ index: 0, letter: 'I' }, null]) {
      const [letter, line] = fills({ text: 'I', belts, cuts: [{ ...slice, at }] });
      const near = combineFlattened(
        'intersect',
        { path: letter?.path as never, rule: letter?.rule ?? 'nonzero' },
        { path: line?.path as never, rule: line?.rule ?? 'nonzero' },
      );
      expect(near.path.verbs, JSON.stringify(at)).toBe('');
      // The white on either side of the pushed half is what was asked for: 3 px at 100 px.
      const [left, right] = [boundsOf(letter?.path as never), boundsOf(line?.path as never)];
      expect(areaOf([line as never]), JSON.stringify(at)).toBeCloseTo((6 * bar().width - bar().width - 2 * 3) * 2, 1);
      expect(left && right && right.left < left.left && right.right > left.right).toBe(true);
    }
  });
  it('is fitted to the letter’s box', () => {
    const belts = [{ id: 'belt', at: { index: 0, letter: 'O' }, form: 'ring', widthPercent: 140, heightPercent: 140, stopPermille: 0 }];
    const [letter, ring] = fills({ text: 'O', belts });
    const [inner, outer] = [boundsOf(letter?.path as never), boundsOf(ring?.path as never)];
    expect(((outer?.left ?? 0) + (outer?.right ?? 0)) / 2).toBeCloseTo(((inner?.left ?? 0) + (inner?.right ?? 0)) / 2, 2);
    expect((outer?.right ?? 0) - (outer?.left ?? 0)).toBeCloseTo(1.4 * ((inner?.right ?? 0) - (inner?.left ?? 0)) + 2.4, 1);
  });
});
