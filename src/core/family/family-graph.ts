import { marksFollowedBy } from '../marks/following/derive';
import type { Recipe } from '../marks/recipe/recipe';

/** A mark of a family as its graph sees it. */
export interface FamilyNode {
  readonly id: string;
  /** Marks it follows directly. */
  readonly follows: readonly string[];
  /** Marks that follow it directly. */
  readonly followers: readonly string[];
  /** How many steps it is from a mark that follows nobody. */
  readonly depth: number;
  /** Whether it follows itself through others. */
  readonly circular: boolean;
}

/** What derives from what, in the order of the marks given. Marks that are not among them are not followed. */
export function familyGraph(marks: readonly { readonly id: string; readonly recipe: Recipe }[]): readonly FamilyNode[] {
  const ids = new Set(marks.map(({ id }) => id));
  const follows = new Map(marks.map(({ id, recipe }) => [id, marksFollowedBy(recipe).filter((other) => ids.has(other) && other !== id)]));
  const depths = new Map<string, number>();
  const circular = new Set<string>();
  const depthOf = (id: string, way: readonly string[]): number => {
    const known = depths.get(id);
    if (known !== undefined) return known;
    if (way.includes(id)) {
      for (const each of way.slice(way.indexOf(id))) circular.add(each);
      return 0;
    }
    const depth = Math.max(-1, ...(follows.get(id) ?? []).map((other) => depthOf(other, [...way, id]))) + 1;
    if (way.length === 0 || !circular.has(id)) depths.set(id, depth);
    return depth;
  };
  return marks.map(({ id }) => ({
    id,
    follows: follows.get(id) ?? [],
    followers: marks.filter((other) => follows.get(other.id)?.includes(id)).map((other) => other.id),
    depth: depthOf(id, []),
    circular: circular.has(id),
  }));
}
