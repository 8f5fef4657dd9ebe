/** How far the pointer has gone since it was pressed, in CSS pixels, and since the last move. */
export interface Held {
  readonly x: number;
  readonly y: number;
  readonly stepX: number;
  readonly stepY: number;
  readonly clientX: number;
  readonly clientY: number;
  readonly shift: boolean;
  readonly ctrl: boolean;
  readonly alt: boolean;
  /** As the device tells it, in [0, 1]. */
  readonly pressure: number;
}

/** Told on the surface when another finger came down and what the first one had begun is let be. */
export const GIVEN_UP = 'givenup';

/**
 * Follows a pressed pointer until it is let go, wherever it goes. Another finger means the view, not the work: what the first one moved on its
 * way there is given up.
 * @param end with whether it was moved and that stands, and whether another finger ended it
 */
export function hold(
  event: PointerEvent,
  surface: Element,
  move: (held: Held) => void,
  end?: (moved: boolean, givenUp: boolean) => void,
): void {
  surface.setPointerCapture(event.pointerId);
  let last = { x: event.clientX, y: event.clientY };
  let moved = false;
  const moves = (raw: Event) => {
    const at = raw as PointerEvent;
    if (at.pointerId !== event.pointerId) return;
    moved ||= Math.hypot(at.clientX - event.clientX, at.clientY - event.clientY) > 2;
    if (!moved) return;
    move({
      x: at.clientX - event.clientX,
      y: at.clientY - event.clientY,
      stepX: at.clientX - last.x,
      stepY: at.clientY - last.y,
      clientX: at.clientX,
      clientY: at.clientY,
      shift: at.shiftKey,
      ctrl: at.ctrlKey || at.metaKey,
      alt: at.altKey,
      pressure: at.pressure,
    });
    last = { x: at.clientX, y: at.clientY };
  };
  const done = (raw: Event) => {
    // Another finger that comes down ends it; another one that goes up does not.
    if ((raw.type === 'pointerdown') === ((raw as PointerEvent).pointerId === event.pointerId)) return;
    surface.removeEventListener('pointerdown', done, true);
    surface.removeEventListener('pointermove', moves);
    surface.removeEventListener('pointerup', done);
    surface.removeEventListener('pointercancel', done);
    const givenUp = raw.type === 'pointerdown';
    end?.(moved && !givenUp, givenUp);
    if (moved && givenUp) surface.dispatchEvent(new Event(GIVEN_UP));
  };
  surface.addEventListener('pointerdown', done, true);
  surface.addEventListener('pointermove', moves);
  surface.addEventListener('pointerup', done);
  surface.addEventListener('pointercancel', done);
}
