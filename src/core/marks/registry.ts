import { formKind } from '../shapes';
import type { FontShelf } from '../type';
import type { DrawContext, PartPicture } from './part-kind';
import type { Lettering } from './lettering/schema';
import { lettering } from './parts/lettering';
import { linked, type Linked } from './parts/linked';
import { shape, type Shape } from './parts/shape';
import type { UnknownPart } from './parts/unknown';

/** Every kind of part, one row each; a new kind is one file in `parts/` and one row here. */
export const partKinds = { lettering, shape, linked } as const;

export type KnownPart = Lettering | Shape | Linked;
export type Part = KnownPart | UnknownPart;
export type PartKindName = keyof typeof partKinds;

interface Row {
  readonly label: string;
  readonly describe: (part: KnownPart, fonts: Pick<FontShelf, 'family'>) => string;
  readonly follows?: (part: KnownPart) => readonly string[];
  readonly draw: (part: KnownPart, context: DrawContext) => PartPicture;
}

/** The row of a part. A part always carries the kind of its own row, which the type system cannot follow through a lookup. */
const rowOf = (part: KnownPart): Row => partKinds[part.kind] as unknown as Row;

export const isKnown = (part: Part): part is KnownPart => part.kind !== 'unknown';

export const drawPart = (part: KnownPart, context: DrawContext): PartPicture => rowOf(part).draw(part, context);

/** Ids of the parts of the same mark that a part looks at. */
export const followedBy = (part: KnownPart): readonly string[] => rowOf(part).follows?.(part) ?? [];

export const describePart = (part: Part, fonts: Pick<FontShelf, 'family'>): string =>
  isKnown(part) ? rowOf(part).describe(part, fonts) : `not understood · “${String(part.original['kind'])}”`;

export const labelOf = (part: Part): string => {
  if (!isKnown(part)) return typeof part.original['name'] === 'string' ? part.original['name'] : 'Not understood';
  if (part.name) return part.name;
  if (part.kind === 'lettering') return part.text.trim() || 'Empty lettering';
  return part.kind === 'shape' ? formKind(part.form.form).label : rowOf(part).label;
};
