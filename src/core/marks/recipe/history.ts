/** How a revision came to be. Undo and redo append revisions of their own; nothing is ever removed. */
export const REVISION_KINDS = ['edit', 'undo', 'redo'] as const;
export type RevisionKind = (typeof REVISION_KINDS)[number];

/** One link of a mark's chain of revisions. */
export interface RevisionLink {
  readonly number: number;
  readonly kind: RevisionKind;
}

/** Which revisions undo and redo lead to; the next one stands last in each. */
export interface UndoStacks {
  readonly past: readonly number[];
  readonly future: readonly number[];
}

/**
 * Reads the undo and redo stacks out of a chain of revisions, oldest first: an edit forgets what was undone,
 * an undo shows the revision before the one shown, a redo shows it again. This is why undo survives a reload.
 */
export function undoStacks(chain: readonly RevisionLink[]): UndoStacks {
  const past: number[] = [];
  let future: number[] = [];
  let shown: number | undefined;
  for (const { number, kind } of chain) {
    if (shown !== undefined) {
      if (kind === 'undo') {
        future.push(shown);
        past.pop();
      } else {
        past.push(shown);
        if (kind === 'edit') future = [];
        else future.pop();
      }
    }
    shown = number;
  }
  return { past, future };
}
