import { describe, expect, it } from 'vitest';
import { LongPress } from '$lib/marks/stage/long-press';

const at = (timeStamp: number, more: Partial<Record<'x' | 'y' | 'pointerId', number>> & { pointerType?: string; type?: string } = {}) => {
  const { x = 0, y = 0, pointerId = 1, pointerType = 'touch', type = 'pointerup' } = more;
  return { timeStamp, clientX: x, clientY: y, pointerId, pointerType, type } as PointerEvent;
};

describe('a long press', () => {
  it('is a finger that rests for half a second', () => {
    const press = new LongPress();
    press.down(at(0));
    press.move(at(100, { x: 5, y: 5 }));
    expect(press.up(at(500))).toMatchObject({ timeStamp: 0 });
    press.down(at(1000));
    expect(press.up(at(1499))).toBeUndefined();
  });

  it('is no pull, no second finger, no mouse, and nothing the system took away', () => {
    const press = new LongPress();
    press.down(at(0));
    press.move(at(100, { x: 9 }));
    press.move(at(200));
    expect(press.up(at(900))).toBeUndefined();
    press.down(at(0));
    press.down(at(50, { pointerId: 2 }));
    expect(press.up(at(900, { pointerId: 2 }))).toBeUndefined();
    expect(press.up(at(900))).toBeUndefined();
    press.down(at(0, { pointerType: 'mouse' }));
    expect(press.up(at(900, { pointerType: 'mouse' }))).toBeUndefined();
    press.down(at(0));
    expect(press.up(at(900, { type: 'pointercancel' }))).toBeUndefined();
  });
});
