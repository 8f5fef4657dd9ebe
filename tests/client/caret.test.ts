import { describe, expect, it } from 'vitest';
import type { LetterPlace } from '$core/index';
import { boundariesOf, boundaryNear, letterBefore, unitsBefore } from '$lib/marks/lettering/caret';

/** Letters of one width on a level baseline, as they are drawn. */
const level = (text: string, width = 10, more: Partial<LetterPlace> = {}): LetterPlace[] =>
  [...text].map((letter, index) => ({
    ...{ index, count: 1, text: letter, at: { x: index * width + width / 2, y: 0 }, angleDeg: 0 },
    ...{ halfWidthPx: width / 2, heightPx: 7, ink: undefined, ...more },
  }));
const feet = (text: string, letters: readonly LetterPlace[]) => boundariesOf(text, letters, 10).map(({ foot }) => [foot.x, foot.y]);

describe('places for a caret', () => {
  it('stand before each letter and behind the last', () => {
    expect(feet('abc', level('abc'))).toEqual([
      [0, 0],
      [10, 0],
      [20, 0],
      [30, 0],
    ]);
    expect(boundariesOf('abc', level('abc'), 10)[1]?.top).toEqual({ x: 10, y: -7 });
  });

  it('divide a ligature evenly', () => {
    const ligature: LetterPlace = {
      index: 0,
      count: 3,
      text: 'ffi',
      at: { x: 15, y: 0 },
      angleDeg: 0,
      halfWidthPx: 15,
      heightPx: 7,
      ink: undefined,
    };
    expect(feet('ffi', [ligature]).map(([x]) => x)).toEqual([0, 10, 20, 30]);
  });

  it('run from right to left where the letters do', () => {
    const [aleph, bet] = ['א', 'ב'];
    const letters = level('xx').map((letter, n) => ({ ...letter, text: n === 0 ? bet : aleph, index: 1 - n }));
    expect(feet(`${aleph}${bet}`, letters).map(([x]) => x)).toEqual([20, 10, 0]);
  });

  it('begin a new line behind a break, also where nothing stands on it', () => {
    const second = level('b').map((letter) => ({ ...letter, index: 2, at: { x: 5, y: 12 } }));
    expect(feet('a\nb', [...level('a'), ...second])).toEqual([
      [0, 0],
      [10, 0],
      [0, 12],
      [10, 12],
    ]);
    expect(feet('a\n', level('a'))).toEqual([
      [0, 0],
      [10, 0],
      [0, 12],
    ]);
    expect(feet('', [])).toEqual([[0, 0]]);
  });

  it('turn with their letters: on a circle the caret stands across the line', () => {
    const [place] = boundariesOf(
      'a',
      level('a').map((letter) => ({ ...letter, at: { x: 0, y: 0 }, angleDeg: 90 })),
      10,
    );
    expect(place?.foot.x).toBeCloseTo(0, 9);
    expect(place?.foot.y).toBeCloseTo(-5, 9);
    expect(place?.top.x).toBeCloseTo(7, 9);
  });

  it('are found by the nearest, however far the pointer is', () => {
    const places = boundariesOf('abc', level('abc'), 10);
    for (const [x, y, wanted] of [
      [-100, 3, 0],
      [4.9, -3, 0],
      [5.1, -3, 1],
      [24, 200, 2],
      [999, -3, 3],
    ] as const)
      expect([x, boundaryNear(places, { x, y })]).toEqual([x, wanted]);
  });
});

describe('letters counted as a text field counts', () => {
  it.each(['abc', 'e\u0301a', '🪁🌿x', 'क्षि', ''])('“%s” both ways', (text) => {
    for (let letter = 0; unitsBefore(text, letter) < text.length; letter++)
      expect(letterBefore(text, unitsBefore(text, letter))).toBe(letter);
    expect(unitsBefore(text, 999)).toBe(text.length);
  });
});
