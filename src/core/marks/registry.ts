import type { z } from 'zod';
import type { FontChoice, FontShelf } from '../type';
import type { DrawContext, PartPicture, PartRights, Referring, RightsLook } from './part-kind';
import { art } from './parts/art';
import { band } from './parts/band';
import { combination } from './parts/combination';
import { contact } from './parts/contact';
import { curve } from './parts/curve';
import { frame } from './parts/frame';
import { group } from './parts/group';
import { inlay } from './parts/inlay';
import { lettering } from './parts/lettering';
import { linked } from './parts/linked';
import { lockup } from './parts/lockup';
import { picture } from './parts/picture';
import { shape } from './parts/shape';
import { symmetry } from './parts/symmetry';
import type { UnknownPart } from './parts/unknown';

/** Every kind of part, one row each; a new kind is one file in `parts/` and one row here. */
export const partKinds = {
  lettering,
  shape,
  linked,
  group,
  combination,
  symmetry,
  inlay,
  band,
  art,
  lockup,
  frame,
  contact,
  curve,
  picture,
} as const;

type Kinds = typeof partKinds;
export type PartKindName = keyof Kinds;
export type KnownPart = { [K in PartKindName]: z.infer<Kinds[K]['schema']> }[PartKindName];
/** A known part as it may be written down: what has a default may be left out. */
export type KnownInput = { [K in PartKindName]: z.input<Kinds[K]['schema']> }[PartKindName];
export type Part = KnownPart | UnknownPart;

interface Row {
  readonly label: string;
  readonly called?: (part: KnownPart) => string;
  readonly describe: (part: KnownPart, fonts: Pick<FontShelf, 'family'>) => string;
  readonly refer?: (part: KnownPart, to: Referring) => KnownPart;
  readonly moves?: true;
  readonly copies?: true;
  readonly fonts?: (part: KnownPart) => readonly FontChoice[];
  readonly rights?: (part: KnownPart, look: RightsLook) => readonly PartRights[];
  readonly onlySeen?: (part: KnownPart) => boolean;
  readonly draw: (part: KnownPart, context: DrawContext) => PartPicture;
}

/** The row of a part. A part always carries the kind of its own row, which the type system cannot follow through a lookup. */
const rowOf = (part: KnownPart): Row => partKinds[part.kind] as unknown as Row;

export const isKnown = (part: Part): part is KnownPart => part.kind !== 'unknown';

export const drawPart = (part: KnownPart, context: DrawContext): PartPicture => rowOf(part).draw(part, context);

/** The part with every reference to another part of its mark put through `to`. */
export const mapReferences = (part: KnownPart, to: Referring): KnownPart => rowOf(part).refer?.(part, to) ?? part;
/** Every font that drawing a part may look at. */
export const fontsOf = (part: KnownPart): readonly FontChoice[] => rowOf(part).fonts?.(part) ?? [];
/** What a part is made of that belongs to somebody. */
export const rightsOfPart = (part: KnownPart, look: RightsLook): readonly PartRights[] => rowOf(part).rights?.(part, look) ?? [];
/** Whether a part is only looked at on the table. */
export const isOnlySeen = (part: KnownPart): boolean => rowOf(part).onlySeen?.(part) === true;
/** Whether a part draws its members more than once. */
export const copiesMembers = (part: KnownPart): boolean => rowOf(part).copies === true;
/** Whether a part moves some of the members that it draws. */
export const movesMembers = (part: KnownPart): boolean => rowOf(part).moves === true;

export const describePart = (part: Part, fonts: Pick<FontShelf, 'family'>): string =>
  isKnown(part) ? rowOf(part).describe(part, fonts) : `not understood · “${String(part.original['kind'])}”`;

/** What a part is called: the name it was given, else what its kind calls it. */
export const labelOf = (part: Part): string => {
  if (!isKnown(part)) return typeof part.original['name'] === 'string' ? part.original['name'] : 'Not understood';
  const { called, label } = rowOf(part);
  return part.name ?? called?.(part) ?? label;
};
