/** A finger that rests at one place for so long asks for what can be done there. */
const LONG_MS = 500;
/** A resting finger trembles by so much. */
const STILL_PX = 8;

/**
 * A long press by touch, told when the finger is lifted: a menu opened under a finger that is still down would close with it. Browsers that
 * answer a long press themselves do it while the finger is down, and others not at all.
 */
export class LongPress {
  #began: PointerEvent | undefined;

  down(event: PointerEvent): void {
    // Another finger makes it something else.
    this.#began = event.pointerType === 'touch' && !this.#began ? event : undefined;
  }
  move(event: PointerEvent): void {
    const began = this.#began;
    if (began && Math.hypot(event.clientX - began.clientX, event.clientY - began.clientY) > STILL_PX) this.#began = undefined;
  }
  /** @returns how it came down, if the finger that is lifted has rested long enough */
  up(event: PointerEvent): PointerEvent | undefined {
    const began = this.#began;
    this.#began = undefined;
    if (began?.pointerId !== event.pointerId || event.type !== 'pointerup') return undefined;
    return event.timeStamp - began.timeStamp >= LONG_MS ? began : undefined;
  }
}
