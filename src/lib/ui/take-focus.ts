/** Attached to a field that was asked for: it has the caret at once, wherever the focus was; when it goes, the focus goes back there. */
export function takeFocus(field: HTMLInputElement | HTMLTextAreaElement): () => void {
  const before = document.activeElement;
  field.focus();
  field.select();
  return () => {
    if (before instanceof HTMLElement || before instanceof SVGElement) before.focus({ preventScroll: true });
  };
}
