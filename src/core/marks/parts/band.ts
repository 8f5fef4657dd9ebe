import { z } from 'zod';
import { weldGrown, JOINS, withoutHoles, type PathAlgebra, type Region } from '../../geometry';
import { areaOfMember, outlinesOfMember } from '../gathering/members';
import { paintSchema } from '../drawing/paint';
import { partBase, partIdSchema } from '../part-base';
import { GONE, type Member, type PartKind } from '../part-kind';
import { OURS } from '../rights/part-rights';

export const BAND_SIDES = ['outward', 'inward', 'both'] as const;

export const bandSchema = z.strictObject({
  ...partBase,
  kind: z.literal('band'),
  /** The part it goes around. */
  of: partIdSchema,
  side: z.enum(BAND_SIDES).default('outward'),
  widthPx: z.number().min(0.1).max(2000).default(12),
  join: z.enum(JOINS).default('round'),
  /** Outward: whether it also fills what it goes around, so that it can lie behind as one shape. */
  solid: z.boolean().default(true),
  /** Whether counters and other holes are closed. */
  closed: z.boolean().default(false),
  paint: paintSchema.default({ role: 'second' }),
});
export type Band = z.infer<typeof bandSchema>;

function around(part: Band, member: Member, paths: PathAlgebra): Region {
  // Letters are weldGrown one by one and welded then: quicker than growing the welded word, and the same area.
  if (part.side === 'outward' && part.solid) return weldGrown(outlinesOfMember(member, paths), part.widthPx, part.join, paths);
  const area = areaOfMember(member, paths);
  const line = paths.band(area, 2 * part.widthPx, part.join);
  if (part.side === 'both') return line;
  return part.side === 'inward' ? paths.combine('intersect', area, line) : paths.combine('subtract', line, area);
}

/** A band that follows the outline of another part: a welding outline behind a whole word, a line inside of its edge. */
export const band: PartKind<typeof bandSchema> = {
  schema: bandSchema,
  label: 'Band',
  describe: (part) => `band ${part.side} · ${part.widthPx} px`,
  rights: () => [OURS],
  refer: (part, to) => ({ ...part, of: to(part.of, 'traces') ?? GONE }),
  draw: (part, { traced, paths }) => {
    const member = traced(part.of);
    if (!member)
      return {
        nodes: [],
        notices: [
          { code: 'band-gone', message: 'The part this band goes around is gone.', fix: 'Let it go around another part, or remove it.' },
        ],
      };
    const made = around(part, member, paths);
    const { path, rule } = part.closed ? withoutHoles(made) : made;
    return { nodes: path.verbs === '' ? [] : [{ kind: 'fill', path, rule, paint: part.paint, opacity: 1 }], notices: [] };
  },
};
