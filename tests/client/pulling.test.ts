import { describe, expect, it } from 'vitest';
import { growth, middleOf, nearSize, type Grip } from '$lib/marks/stage/pulling';

const BOX = { left: 0, top: 0, right: 100, bottom: 40 };
const grip = (x: Grip['x'], y: Grip['y']): Grip => ({ pulls: 'size', x, y });

describe('a pulled frame', () => {
  it.each([
    ['a corner along the diagonal', grip(1, 1), { x: 0, y: 0 }, { x: 200, y: 80 }, false, { x: 2, y: 2 }],
    ['a corner off the diagonal, in proportion', grip(1, 1), { x: 0, y: 0 }, { x: 100, y: 290 }, false, { x: 1.862, y: 1.862 }],
    ['a corner, each side by itself', grip(1, 1), { x: 0, y: 0 }, { x: 50, y: 80 }, true, { x: 0.5, y: 2 }],
    ['the near corner', grip(-1, -1), { x: 100, y: 40 }, { x: -100, y: -40 }, false, { x: 2, y: 2 }],
    ['a side', grip(1, 0), { x: 0, y: 20 }, { x: 150, y: 999 }, false, { x: 1.5, y: 1 }],
    ['from the middle', grip(0, -1), middleOf(BOX), { x: 7, y: -20 }, false, { x: 1, y: 2 }],
    ['through nothing', grip(1, 1), { x: 0, y: 0 }, { x: -500, y: -500 }, false, { x: 0.01, y: 0.01 }],
    ['through nothing, each side by itself', grip(1, 1), { x: 0, y: 0 }, { x: -5, y: 40 }, true, { x: 0.01, y: 1 }],
  ] as const)('%s', (_, held, at, to, free, wanted) => {
    const by = growth(BOX, held, at, to, free);
    expect(by.x).toBeCloseTo(wanted.x, 3);
    expect(by.y).toBeCloseTo(wanted.y, 3);
  });

  it('takes the size of another part where it comes near one', () => {
    const others = [
      { px: 90, words: 'as wide as Disk' },
      { px: 97, words: 'as wide as Name' },
      { px: 0, words: 'nothing' },
    ];
    expect(nearSize(96, others, 8)?.words).toBe('as wide as Name');
    expect(nearSize(120, others, 8)).toBeUndefined();
    expect(nearSize(1, others, 8)).toBeUndefined();
  });
});
