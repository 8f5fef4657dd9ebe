/** What a mark is in its family. */
export const MARK_ROLES = ['primary', 'secondary', 'submark', 'icon', 'watermark'] as const;
export type MarkRole = (typeof MARK_ROLES)[number];
