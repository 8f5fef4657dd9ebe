import { isKnown, mapReferences, type KnownPart } from '../registry';
import type { Reference } from '../part-kind';
import type { Recipe } from '../recipe/recipe';

const known = new WeakMap<KnownPart, readonly Reference[]>();

/** Every other part of the same mark that a part names, and what for. */
export function referencesOf(part: KnownPart): readonly Reference[] {
  const kept = known.get(part);
  if (kept) return kept;
  const found: Reference[] = [];
  mapReferences(part, (id, as) => {
    found.push({ id, as });
    return id;
  });
  known.set(part, found);
  return found;
}

const named = (part: KnownPart, ...as: readonly Reference['as'][]): readonly string[] => [
  ...new Set(referencesOf(part).flatMap((each) => (as.includes(each.as) ? [each.id] : []))),
];

/** Ids of the parts whose size, place or stroke a part looks at. */
export const followedBy = (part: KnownPart): readonly string[] => named(part, 'stands', 'follows', 'stroke');
/** Ids of the parts that a part stands by: where they go, it goes. */
export const standsBy = (part: KnownPart): readonly string[] => named(part, 'stands');
/** Ids of the parts whose typical stroke a part takes. */
export const strokesOf = (part: KnownPart): readonly string[] => named(part, 'stroke');
/** Ids of the parts that a part draws in their place. */
export const takenBy = (part: KnownPart): readonly string[] => named(part, 'takes');
/** Ids of the parts whose outlines a part looks at. */
export const tracedBy = (part: KnownPart): readonly string[] => named(part, 'traces');

/** A part with other members; only kinds that draw members have them. */
export const withMembers = (part: KnownPart, members: readonly string[]): KnownPart =>
  'members' in part ? ({ ...part, members } as KnownPart) : part;

/**
 * A part under a new id, naming the parts of new ids.
 * @param others what becomes of references to parts that get no new id: they stay, unless said otherwise
 */
export function renamed(
  part: KnownPart,
  names: ReadonlyMap<string, string>,
  others: (id: string) => string | undefined = (id) => id,
): KnownPart {
  const here = mapReferences(part, (id) => names.get(id) ?? others(id));
  return { ...here, id: names.get(part.id) ?? part.id };
}

/** Every id that is in use: of parts, and of those that parts name although they are gone. A new part never gets one of these. */
export function idsInUse({ parts }: Recipe): ReadonlySet<string> {
  return new Set(parts.flatMap((part) => (isKnown(part) ? [part.id, ...referencesOf(part).map(({ id }) => id)] : [part.id])));
}
