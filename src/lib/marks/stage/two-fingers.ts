import type { Point } from '$core/index';
import type { StageView } from './stage-view.svelte';

/** Two fingers on the stage move and zoom the view about the middle between them; what one finger began before is given up (see `hold`). */
export class TwoFingers {
  readonly #down = new Map<number, Point>();

  constructor(
    private readonly view: Pick<StageView, 'pan' | 'zoom'>,
    private readonly place: (event: MouseEvent) => Point,
  ) {}

  /** @returns whether there are two now, so that nothing else is done with the pointer */
  down(event: PointerEvent): boolean {
    if (event.pointerType === 'touch') this.#down.set(event.pointerId, this.place(event));
    return this.#down.size > 1;
  }

  /** @returns whether the view was moved */
  move(event: PointerEvent): boolean {
    const before = this.#down.get(event.pointerId);
    if (!before) return false;
    const now = this.place(event);
    const other = [...this.#down].find(([id]) => id !== event.pointerId)?.[1];
    this.#down.set(event.pointerId, now);
    if (!other || this.#down.size !== 2) return false;
    const apart = (at: Point) => Math.hypot(at.x - other.x, at.y - other.y);
    const middle = (at: Point): Point => ({ x: (at.x + other.x) / 2, y: (at.y + other.y) / 2 });
    const [from, to] = [middle(before), middle(now)];
    this.view.pan(to.x - from.x, to.y - from.y);
    if (apart(before) > 0 && apart(now) > 0) this.view.zoom(apart(now) / apart(before), to);
    return true;
  }

  up(event: PointerEvent): void {
    this.#down.delete(event.pointerId);
  }
}
