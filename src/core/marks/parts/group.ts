import { z } from 'zod';
import { builtSchema, referBuilt } from '../building/built';
import { memberGroup, membersSchema, referMembers } from '../gathering/members';
import { partBase } from '../part-base';
import type { PartKind } from '../part-kind';

export const groupSchema = z.strictObject({
  ...partBase,
  kind: z.literal('group'),
  members: membersSchema,
  /** What its members were built by, when a builder made them. */
  built: builtSchema.optional(),
});
export type GroupPart = z.infer<typeof groupSchema>;

/** Parts that are moved, made translucent and blended as one; each stays what it is. */
export const group: PartKind<typeof groupSchema> = {
  schema: groupSchema,
  label: 'Group',
  called: (part) => (part.built ? part.built.builder.replace(/-/g, ' ').replace(/^./, (letter) => letter.toUpperCase()) : 'Group'),
  describe: (part) => `${part.built ? 'built' : 'group'} · ${part.members.length} ${part.members.length === 1 ? 'part' : 'parts'}`,
  refer: (part, to) => {
    const group = referMembers(part, to);
    return group.built ? { ...group, built: referBuilt(group.built, to) } : group;
  },
  draw: (_, { members }) => ({ nodes: members.map((member) => memberGroup(member)), notices: [] }),
};
