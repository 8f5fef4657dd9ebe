/** What a mark is in its family; a piece is made of the others, on a canvas of its own. */
export const MARK_ROLES = ['primary', 'secondary', 'submark', 'icon', 'watermark', 'piece'] as const;
export type MarkRole = (typeof MARK_ROLES)[number];
/** Those that a mark of the family can have. */
export const FAMILY_ROLES = MARK_ROLES.filter((role) => role !== 'piece');
