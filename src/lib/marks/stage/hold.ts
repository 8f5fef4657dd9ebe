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
}

/** Follows a pressed pointer until it is let go, wherever it goes. */
export function hold(event: PointerEvent, surface: Element, move: (held: Held) => void, end?: (moved: boolean) => void): void {
  surface.setPointerCapture(event.pointerId);
  let last = { x: event.clientX, y: event.clientY };
  let moved = false;
  const moves = (raw: Event) => {
    const at = raw as PointerEvent;
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
    });
    last = { x: at.clientX, y: at.clientY };
  };
  const done = () => {
    surface.removeEventListener('pointermove', moves);
    surface.removeEventListener('pointerup', done);
    surface.removeEventListener('pointercancel', done);
    end?.(moved);
  };
  surface.addEventListener('pointermove', moves);
  surface.addEventListener('pointerup', done);
  surface.addEventListener('pointercancel', done);
}
