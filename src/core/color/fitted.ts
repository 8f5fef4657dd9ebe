import type { Hex } from './hex';
import { oklchOf } from './oklch';

/** How much a step of chroma weighs beside one of lightness: what is light stays light, what is loud may calm down. */
const CHROMA_WEIGHT = 0.5;

function distance(one: Hex, other: Hex): number {
  const [a, b] = [oklchOf(one), oklchOf(other)];
  return Math.hypot(a.l - b.l, CHROMA_WEIGHT * (a.c - b.c));
}

/**
 * Which of several colors each color of a mark becomes: the largest area chooses first, by lightness and then by how colorful it is; each color is
 * taken once while there are any left.
 * @returns for each of `used`, an index into `onto`
 */
export function fittedColors(used: readonly { readonly hex: Hex; readonly area: number }[], onto: readonly Hex[]): readonly number[] {
  const taken = new Set<number>();
  const found = new Array<number>(used.length).fill(0);
  const order = used.map((_, at) => at).sort((one, other) => (used[other]?.area ?? 0) - (used[one]?.area ?? 0));
  for (const at of order) {
    const own = used[at]?.hex ?? '#000000';
    const free = onto.map((_, index) => index).filter((index) => !taken.has(index));
    const [best = 0] = (free.length > 0 ? free : onto.map((_, index) => index)).sort(
      (one, other) => distance(own, onto[one] ?? own) - distance(own, onto[other] ?? own),
    );
    taken.add(best);
    found[at] = best;
  }
  return found;
}
