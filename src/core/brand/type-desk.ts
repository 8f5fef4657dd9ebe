import { z } from 'zod';

const family = z.string().regex(/^[a-z0-9-]{1,80}$/);

/** Faces that a brand has kept and dropped in its trials, what was noted about them, and the roles they were given. */
export const typeDeskSchema = z.strictObject({
  kept: z
    .array(z.strictObject({ family, note: z.string().max(500).default(''), axes: z.record(z.string().length(4), z.number()).default({}) }))
    .max(100)
    .default([]),
  dropped: z.array(family).max(500).default([]),
  /** A line of the designer's own to set besides the name. */
  line: z.string().max(80).default(''),
  roles: z
    .strictObject({
      name: z.array(family).max(5).default([]),
      second: z.array(family).max(5).default([]),
      body: z.array(family).max(5).default([]),
    })
    .default({ name: [], second: [], body: [] }),
});
export type TypeDesk = z.infer<typeof typeDeskSchema>;
export type TypeRole = keyof TypeDesk['roles'];

/** The desk with a face kept (and no longer dropped), or let go again. */
export function toggleKept(desk: TypeDesk, id: string): TypeDesk {
  const kept = desk.kept.some(({ family: each }) => each === id);
  return kept
    ? { ...desk, kept: desk.kept.filter(({ family: each }) => each !== id) }
    : { ...desk, kept: [...desk.kept, { family: id, note: '', axes: {} }], dropped: desk.dropped.filter((each) => each !== id) };
}

/** The desk with a face dropped (and no longer kept), or taken back. */
export function toggleDropped(desk: TypeDesk, id: string): TypeDesk {
  const dropped = desk.dropped.includes(id);
  return dropped
    ? { ...desk, dropped: desk.dropped.filter((each) => each !== id) }
    : { ...desk, dropped: [...desk.dropped, id], kept: desk.kept.filter(({ family: each }) => each !== id) };
}

/** The desk with a face first in a role; what stood there becomes its alternative. */
export const giveRole = (desk: TypeDesk, role: TypeRole, id: string): TypeDesk => ({
  ...desk,
  roles: { ...desk.roles, [role]: [id, ...desk.roles[role].filter((each) => each !== id)].slice(0, 5) },
});
