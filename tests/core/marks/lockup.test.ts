import { describe, expect, it } from 'vitest';
import type { createPart } from '$core/index';
import { drawnOn, letteringInput, partNamed } from '../../support/drawn-mark';
import { shelfOf } from '../../support/fonts';

const draw = drawnOn(await shelfOf('jost'));
type Input = Parameters<typeof createPart>[0];

describe('symbol and name', () => {
  const symbol = {
    kind: 'shape',
    id: 'symbol',
    form: { form: 'drop', widthPx: 100, heightPx: 140 },
    place: { x: 900, y: -300, turnDeg: 0 },
  } as Input;
  const name = letteringInput({ text: 'HATCH', sizePx: 100 });
  const lockup = (more: object = {}): Input =>
    ({ kind: 'lockup', id: 'lockup', members: ['symbol', 'name'], symbol: 'symbol', ...more }) as Input;

  it('sizes the symbol by the capitals, in every arrangement, and leaves the words where they are', () => {
    for (const arrangement of ['left', 'right', 'above', 'below']) {
      const mark = draw(symbol, name, lockup({ arrangement, heightPercent: 250, gapPercent: 50 }));
      const words = partNamed(mark, 'name');
      const caps = words.lettering?.capHeightPx ?? NaN;
      const { ink } = partNamed(mark, 'symbol');
      expect(((ink?.bottom ?? 0) - (ink?.top ?? 0)) / caps).toBeCloseTo(2.5, 6);
      expect(words.ink).toEqual(partNamed(draw(name), 'name').ink);
      const apart = {
        left: (words.ink?.left ?? 0) - (ink?.right ?? 0),
        right: (ink?.left ?? 0) - (words.ink?.right ?? 0),
        above: (words.ink?.top ?? 0) - (ink?.bottom ?? 0),
        below: (ink?.top ?? 0) - (words.ink?.bottom ?? 0),
      }[arrangement];
      // White by ink: boxes stand at the gap or, where ink is hollow, at least at half of it.
      expect(apart).toBeLessThanOrEqual(caps * 0.5 + 1e-6);
      expect(apart).toBeGreaterThanOrEqual(caps * 0.25 - 1e-6);
    }
  });

  it('brings hollow ink nearer by the white it leaves, and never nearer than half of the gap', () => {
    // The points of a star on two of its points reach past the words above and below; at their height there is its waist.
    const star = { form: 'star', points: 4, widthPx: 140, heightPx: 140 };
    const boxGap = (form: object, gapPercent: number) => {
      const drawnAs = { ...(symbol as object), form, place: { x: 0, y: 0, turnDeg: form === star ? 45 : 0 } } as Input;
      const mark = draw(drawnAs, name, lockup({ arrangement: 'left', heightPercent: 250, gapPercent }));
      return (
        ((partNamed(mark, 'name').ink?.left ?? 0) - (partNamed(mark, 'symbol').ink?.right ?? 0)) /
        ((partNamed(mark, 'name').lettering?.capHeightPx ?? NaN) * (gapPercent / 100))
      );
    };
    const panel = { form: 'panel', widthPx: 100, heightPx: 140 };
    expect(boxGap(panel, 50)).toBeCloseTo(1, 6);
    const shares = [20, 50, 100].map((gap) => boxGap(star, gap));
    for (const share of shares) expect(share).toBeGreaterThanOrEqual(0.5 - 1e-6);
    // A small gap is eaten up to its half; of a large one no more than there is white.
    expect(shares[0]).toBeCloseTo(0.5, 6);
  });

  it('puts the symbol’s weight on the optical center of the words, and follows when they change', () => {
    const balance = (text: string) => {
      const mark = draw(symbol, letteringInput({ text, sizePx: 100 }), lockup({ arrangement: 'above' }));
      return [partNamed(mark, 'symbol').balance?.x ?? NaN, partNamed(mark, 'name').balance?.x ?? NaN] as const;
    };
    for (const text of ['HATCH', 'Lily', 'Wide harbor']) expect(balance(text)[0]).toBeCloseTo(balance(text)[1], 0);
    expect(draw(name, lockup()).parts[1]?.notices[0]?.code).toBe('lockup-incomplete');
  });
});
