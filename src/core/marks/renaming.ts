import type { KnownPart } from './registry';

/** Names of the fields that hold the id of a part; letters and texts are never touched. */
const NAMING = new Set(['part', 'of', 'id', 'symbol', 'weightFrom']);

/** A part with other members; only kinds that draw members have them. */
export const withMembers = (part: KnownPart, members: readonly string[]): KnownPart =>
  'members' in part ? ({ ...part, members } as KnownPart) : part;

/** A part under a new id, following and drawing the parts of new ids; ids without a new one stay as they are. */
export function renamed(part: KnownPart, names: ReadonlyMap<string, string>): KnownPart {
  // What is linked names a part of another mark.
  if (part.kind === 'linked') return { ...part, id: names.get(part.id) ?? part.id };
  const copy = JSON.parse(JSON.stringify(part), (key: string, value: unknown) =>
    NAMING.has(key) && typeof value === 'string' && names.has(value) ? names.get(value) : value,
  ) as KnownPart;
  return 'members' in copy
    ? withMembers(
        copy,
        copy.members.map((member) => names.get(member) ?? member),
      )
    : copy;
}
