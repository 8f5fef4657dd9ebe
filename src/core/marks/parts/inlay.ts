import { z } from 'zod';
import { IDENTITY } from '../../geometry';
import { areaOfMember, cutTo, memberGroup, membersSchema } from '../gathering';
import { partBase } from '../part-base';
import type { PartKind } from '../part-kind';

export const inlaySchema = z.strictObject({
  ...partBase,
  kind: z.literal('inlay'),
  /** The backmost is the container; the others show only inside of it. */
  members: membersSchema,
  showsContainer: z.boolean().default(true),
  /** How far inside of the container's edge the others end. */
  insetPx: z.number().min(0).max(1000).default(0),
});
export type Inlay = z.infer<typeof inlaySchema>;

/** Parts that show only inside of another one: florals inside a letter. */
export const inlay: PartKind<typeof inlaySchema> = {
  schema: inlaySchema,
  label: 'Inlay',
  describe: (part) => `inlay · ${Math.max(0, part.members.length - 1)} inside`,
  takes: (part) => part.members,
  draw: (part, { members, paths }) => {
    const [container, ...inside] = members;
    if (!container) return { nodes: [], notices: [] };
    const area = areaOfMember(container, paths);
    const edge = part.insetPx > 0 ? paths.combine('subtract', area, paths.band(area, 2 * part.insetPx, 'round')) : area;
    // Cut as outlines rather than masked, so that every file carries plain shapes.
    const cut = inside.map((member) => ({
      ...memberGroup(member),
      transform: IDENTITY,
      children: cutTo(member.nodes, member.transform, edge, paths),
    }));
    return { nodes: [...(part.showsContainer ? [memberGroup(container)] : []), ...cut], notices: [] };
  },
};
