import { z } from 'zod';
import { BLENDS } from './drawing';
import { changePart, type PartChange } from '../recipe/edit';
import { mapPaints, paintSchema, type Paint } from './paint';
import type { Recipe } from '../recipe/recipe';
import { takenBy } from '../following/references';
import { isKnown, type KnownPart } from '../registry';
import { treatmentsSchema } from '../treating/registry';

/** What a part looks like whatever its shape is: it can be carried to other parts, groups, marks and brands. */
export const partLookSchema = z.strictObject({
  /** Its paints, each once: its own first, then those of its letters, colors or members. */
  paints: z.array(paintSchema).max(200),
  opacity: z.number().min(0).max(1),
  blend: z.enum(BLENDS),
  /** What is done to its picture. */
  treatments: treatmentsSchema.optional(),
});
export type PartLook = z.infer<typeof partLookSchema>;

const keyOf = (paint: Paint): string => ('role' in paint ? paint.role : paint.hex);

/** The part with everything on it in one paint. */
export const inOnePaint = (part: KnownPart, paint: Paint): KnownPart => mapFacePaints(part, () => paint);

/** Paints of the part itself; what its treatments are painted with stands beside. */
function mapFacePaints(part: KnownPart, change: (paint: Paint) => Paint): KnownPart {
  const { treatments, ...face } = part;
  const mapped = mapPaints(face, change);
  return (treatments ? { ...mapped, treatments } : mapped) as KnownPart;
}

/** The part and all that it draws, itself first. */
function withMembersDeep(recipe: Recipe, id: string, seen = new Set<string>()): readonly KnownPart[] {
  const part = recipe.parts.filter(isKnown).find((each) => each.id === id);
  if (!part || seen.has(id)) return [];
  seen.add(id);
  return [part, ...takenBy(part).flatMap((member) => withMembersDeep(recipe, member, seen))];
}

/** The paints of parts, each once, in the order in which they are met; a part's own comes before those of its letters. */
function paintsOf(parts: readonly KnownPart[]): readonly Paint[] {
  const found = new Map<string, Paint>();
  const note = (paint: Paint): Paint => {
    if (!found.has(keyOf(paint))) found.set(keyOf(paint), paint);
    return paint;
  };
  for (const part of parts) {
    if ('paint' in part && part.paint) note(part.paint);
    mapFacePaints(part, note);
  }
  return [...found.values()];
}

/** The look of a part; of one that draws others, with their paints. Nothing when there is no such part. */
export function partLook(recipe: Recipe, id: string): PartLook | undefined {
  const parts = withMembersDeep(recipe, id);
  const [part] = parts;
  return part && { paints: [...paintsOf(parts)], opacity: part.opacity, blend: part.blend, treatments: [...(part.treatments ?? [])] };
}

/**
 * The recipe with a part looking like another: its first paint becomes the look's first, its second the second, the last one stands for all beyond.
 * What was painted alike stays painted alike. Members are painted too; how translucent they are among themselves is left.
 */
export function withPartLook(recipe: Recipe, id: string, { paints, opacity, blend, treatments = [] }: PartLook): Recipe {
  const parts = withMembersDeep(recipe, id);
  const ranks = new Map(paintsOf(parts).map((paint, rank) => [keyOf(paint), rank]));
  const change = (paint: Paint): Paint => paints[Math.min(ranks.get(keyOf(paint)) ?? 0, paints.length - 1)] ?? paint;
  const painted = parts.reduce((next, part) => changePart(next, part.id, mapFacePaints(part, change) as PartChange), recipe);
  return changePart(painted, id, { opacity, blend, treatments: treatments.length > 0 || parts[0]?.treatments ? treatments : undefined });
}
