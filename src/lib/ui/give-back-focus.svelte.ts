/** Frames for which a dialog that closes is waited for. */
const MOST_FRAMES = 180;

/**
 * Remembers what had the focus when a dialog opened, and gives it back when the dialog has gone; unless something else has taken it by then, as
 * the next dialog does, or a field that was asked for.
 * @param isOpen whether the dialog is open; read where a component is set up
 */
export function giveBackFocus(isOpen: () => boolean): void {
  let before: Element | null = null;
  // Before the page changes: afterwards the dialog has the focus already.
  $effect.pre(() => {
    if (isOpen()) {
      before ??= document.activeElement;
      return;
    }
    const back = before;
    before = null;
    if (!(back instanceof HTMLElement || back instanceof SVGElement)) return;
    let frames = 0;
    const give = () => {
      if (document.querySelector('dialog:modal') && frames++ < MOST_FRAMES) requestAnimationFrame(give);
      else if (document.activeElement === null || document.activeElement === document.body) back.focus({ preventScroll: true });
    };
    requestAnimationFrame(give);
  });
}
