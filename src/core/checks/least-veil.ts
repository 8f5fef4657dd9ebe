import { GROUND_PARTS } from '../pieces';
import type { ResolvedMark } from '../marks/drawing/resolve';
import type { Recipe } from '../marks/recipe/recipe';
import { isKnown } from '../marks/registry';
import { compose } from '../geometry';
import { contrastOf, readsOf, type PixelsOf, type Read } from './lies-behind';
import { wantedContrast } from './piece-checks';

/** How a veil over a picture does for the words that stand on it. */
export interface LeastVeil {
  /** The least opacity at which they are read, in [0, 1]; 1 where they never are. */
  readonly opacity: number;
  /** Whether all words pass there. */
  readonly passes: boolean;
}

/** The veil is tried in steps of this. */
const STEP = 0.01;

const under = (reads: readonly Read[], opacity: number): readonly Read[] =>
  reads.map(({ letter, behind }) => ({
    letter,
    behind: behind.map((layer) =>
      layer.group === GROUND_PARTS.veil && layer.tint !== 'unknown' ? { ...layer, tint: { ...layer.tint, opacity } } : layer,
    ),
  }));

/**
 * The least veil of a piece's ground at which all its words pass their contrast, and pass it at every stronger veil.
 * @param mark the piece, its veil drawn but not quite opaque: what it hides is in no drawing
 * @returns nothing where there is no veil, no words, or no pixels
 * @source WCAG 2.2, 1.4.3, measured where the letters lie
 */
export function leastVeil(recipe: Recipe, mark: ResolvedMark, pixelsOf: PixelsOf): LeastVeil | undefined {
  if (!recipe.parts.some(({ id }) => id === GROUND_PARTS.veil)) return undefined;
  const words = recipe.parts.filter(isKnown).flatMap((part) => {
    const resolved = mark.parts.find(({ id }) => id === part.id);
    if (part.kind !== 'lettering' || part.hidden || !resolved?.lettering) return [];
    const { a, b } = compose(resolved.outer, resolved.transform);
    const reads = readsOf(mark.drawing, part.id, pixelsOf);
    return reads.length === 0 ? [] : [{ reads, wanted: wantedContrast(resolved.lettering.capHeightPx * Math.hypot(a, b)) }];
  });
  if (words.length === 0) return undefined;
  let least: number | undefined;
  for (let step = 1 / STEP; step >= 0; step--) {
    const found = words.map(({ reads, wanted }) => ({ is: contrastOf(under(reads, step * STEP)), wanted }));
    if (found.some(({ is }) => is === undefined)) return undefined;
    if (found.some(({ is, wanted }) => (is as number) < wanted)) break;
    least = step * STEP;
  }
  return { opacity: least ?? 1, passes: least !== undefined };
}
