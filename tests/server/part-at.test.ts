import { describe, expect, it } from 'vitest';
import { partAt } from '$lib/server/client-link/part-at';
import { random } from '../support/random';

const box = (left: number, top: number, right: number, bottom: number) => ({ left, top, right, bottom });
const mark = (ink: ReturnType<typeof box>, parts: readonly (readonly [string, ReturnType<typeof box> | undefined])[]) =>
  ({ ink, parts: parts.map(([id, of]) => ({ id, ink: of })) }) as unknown as Parameters<typeof partAt>[0];

describe('the part that a client points at', () => {
  it('is read from shares of the square that a wide or a tall mark stands in the middle of', () => {
    const wide = mark(box(-200, -50, 200, 50), [
      ['left', box(-200, -50, 0, 50)],
      ['right', box(0, -50, 200, 50)],
    ]);
    expect(partAt(wide, { x: 0.25, y: 0.5 })).toBe('left');
    expect(partAt(wide, { x: 0.75, y: 0.5 })).toBe('right');
    // Above and below a wide mark, the square holds nothing.
    expect(partAt(wide, { x: 0.25, y: 0.1 })).toBeUndefined();
    const tall = mark(box(0, 0, 100, 400), [['foot', box(0, 300, 100, 400)]]);
    expect(partAt(tall, { x: 0.5, y: 0.9 })).toBe('foot');
    expect(partAt(tall, { x: 0.1, y: 0.9 })).toBeUndefined();
  });

  it('is the smallest that holds the place: a letter before the disk it stands on', () => {
    const seal = mark(box(-100, -100, 100, 100), [
      ['disk', box(-100, -100, 100, 100)],
      ['letter', box(-20, -30, 20, 30)],
      ['empty', undefined],
    ]);
    expect(partAt(seal, { x: 0.5, y: 0.5 })).toBe('letter');
    expect(partAt(seal, { x: 0.1, y: 0.5 })).toBe('disk');
  });

  it('always holds the place, and nothing smaller does, in 500 random marks', () => {
    for (let seed = 1; seed <= 500; seed++) {
      const next = random(seed);
      const boxes = Array.from({ length: 1 + Math.floor(next() * 12) }, (_, at): readonly [string, ReturnType<typeof box>] => {
        const [x, y, width, height] = [next() * 300 - 150, next() * 300 - 150, 1 + next() * 120, 1 + next() * 120];
        return [`p${at}`, box(x, y, x + width, y + height)];
      });
      const ink = box(
        Math.min(...boxes.map(([, of]) => of.left)),
        Math.min(...boxes.map(([, of]) => of.top)),
        Math.max(...boxes.map(([, of]) => of.right)),
        Math.max(...boxes.map(([, of]) => of.bottom)),
      );
      const place = { x: next(), y: next() };
      const side = Math.max(ink.right - ink.left, ink.bottom - ink.top);
      const x = (ink.left + ink.right) / 2 + (place.x - 0.5) * side;
      const y = (ink.top + ink.bottom) / 2 + (place.y - 0.5) * side;
      const under = boxes.filter(([, of]) => x >= of.left && x <= of.right && y >= of.top && y <= of.bottom);
      const area = ([, of]: (typeof boxes)[number]) => (of.right - of.left) * (of.bottom - of.top);
      const found = partAt(mark(ink, boxes), place);
      expect(found).toBe(
        under.reduce<(typeof boxes)[number] | undefined>((best, each) => (best && area(best) <= area(each) ? best : each), undefined)?.[0],
      );
    }
  });
});
