import { weakAtText, type WeakAt, type WeakPlace } from '$core/index';

/** Where the mark gives way at a size, shown on the stage while somebody looks for it. */
export class WeakSpots {
  /** What is looked for; nothing while nobody looks. */
  at: WeakAt | undefined = $state.raw();
  /** As of the last rest. */
  places: readonly WeakPlace[] | undefined = $state.raw();

  isAt = (other: WeakAt): boolean => this.at?.way === other.way && this.at.stroke === other.stroke && this.at.gap === other.gap;
  /** Shows a size, or no longer where it is shown already. */
  toggle(at: WeakAt): void {
    this.places = undefined;
    this.at = this.isAt(at) ? undefined : at;
  }
  end(): void {
    this.at = this.places = undefined;
  }

  /** What is seen, in a sentence. */
  readonly says: string = $derived.by(() => {
    if (!this.at) return '';
    const where = weakAtText(this.at).replace(/^./, (first) => first.toUpperCase());
    if (!this.places) return `${where}: looking …`;
    const has = (kind: WeakPlace['kind']) => this.places?.some((place) => place.kind === kind);
    if (has('stroke') && has('gap')) return `${where}: strokes are too thin at the dots, gaps too tight at the rings.`;
    if (has('stroke')) return `${where}: strokes are too thin at the dots.`;
    if (has('gap')) return `${where}: gaps are too tight at the rings.`;
    return `${where}: no stroke is too thin and no gap too tight.`;
  });
}
