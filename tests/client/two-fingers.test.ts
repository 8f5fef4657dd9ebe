import { describe, expect, it } from 'vitest';
import { StageView } from '$lib/marks/stage/stage-view.svelte';
import { TwoFingers } from '$lib/marks/stage/two-fingers';

const touch = (pointerId: number, x: number, y: number, pointerType = 'touch') =>
  ({ pointerId, x, y, pointerType }) as unknown as PointerEvent;
const place = (event: MouseEvent) => ({ x: event.x, y: event.y });
function begin() {
  const view = new StageView();
  view.lookAt({ scale: 1, x: 0, y: 0 });
  return { view, fingers: new TwoFingers(view, place) };
}

describe('two fingers', () => {
  it('zoom by how far they go apart; what lies between them stays between them', () => {
    const { view, fingers } = begin();
    expect(fingers.down(touch(1, 100, 100))).toBe(false);
    expect(fingers.down(touch(2, 200, 100))).toBe(true);
    const between = view.toMark({ x: 150, y: 100 });
    fingers.move(touch(1, 50, 100));
    fingers.move(touch(2, 250, 100));
    expect(view.scale).toBeCloseTo(2, 9);
    const now = view.toScreen(between);
    expect(now.x).toBeCloseTo(150, 9);
    expect(now.y).toBeCloseTo(100, 9);
  });

  it('move the view when they go together', () => {
    const { view, fingers } = begin();
    fingers.down(touch(1, 100, 100));
    fingers.down(touch(2, 200, 100));
    fingers.move(touch(1, 130, 150));
    fingers.move(touch(2, 230, 150));
    expect(view.scale).toBeCloseTo(1, 9);
    expect([view.origin.x, view.origin.y].map((value) => Math.round(value * 1e6) / 1e6)).toEqual([30, 50]);
  });

  it('are not one finger, a mouse, a third one, or one that was lifted', () => {
    const { view, fingers } = begin();
    fingers.down(touch(1, 0, 0));
    expect(fingers.move(touch(1, 90, 0))).toBe(false);
    expect(fingers.down(touch(7, 0, 0, 'mouse'))).toBe(false);
    fingers.down(touch(2, 10, 0));
    fingers.up(touch(1, 0, 0));
    expect(fingers.move(touch(2, 99, 0))).toBe(false);
    fingers.down(touch(3, 0, 0));
    fingers.down(touch(4, 0, 50));
    expect(fingers.move(touch(4, 0, 90))).toBe(false);
    expect([view.scale, view.origin]).toEqual([1, { x: 0, y: 0 }]);
  });
});
