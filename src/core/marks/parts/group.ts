import { z } from 'zod';
import { memberGroup, membersSchema, referMembers } from '../gathering/members';
import { partBase } from '../part-base';
import type { PartKind } from '../part-kind';

export const groupSchema = z.strictObject({ ...partBase, kind: z.literal('group'), members: membersSchema });
export type GroupPart = z.infer<typeof groupSchema>;

/** Parts that are moved, made translucent and blended as one; each stays what it is. */
export const group: PartKind<typeof groupSchema> = {
  schema: groupSchema,
  label: 'Group',
  describe: (part) => `group · ${part.members.length} parts`,
  refer: referMembers,
  draw: (_, { members }) => ({ nodes: members.map((member) => memberGroup(member)), notices: [] }),
};
