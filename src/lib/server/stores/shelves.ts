/** Where something stands: at hand, put aside, or removed (and still there to be taken back). */
export const SHELVES = ['kept', 'archived', 'removed'] as const;
export type Shelf = (typeof SHELVES)[number];

interface Shelved {
  archivedAt?: Date | null | undefined;
  removedAt?: Date | null | undefined;
}

export const shelfOf = ({ archivedAt, removedAt }: Shelved): Shelf => (removedAt ? 'removed' : archivedAt ? 'archived' : 'kept');

/** Puts something on a shelf; what stands there already keeps its date. */
export function shelve(row: Shelved, to: Shelf | undefined): void {
  if (to === undefined || shelfOf(row) === to) return;
  row.archivedAt = to === 'archived' ? new Date() : null;
  row.removedAt = to === 'removed' ? new Date() : null;
}

/** A list with one of its members moved to another place; the rest keeps its order. */
export function movedTo<T>(list: readonly T[], moving: T, position: number): readonly T[] {
  const rest = list.filter((each) => each !== moving);
  const at = Math.max(0, Math.min(rest.length, position));
  return [...rest.slice(0, at), moving, ...rest.slice(at)];
}
