import type { OpenWork } from './open-work.svelte';

type Undoable = Pick<OpenWork<unknown>, 'past' | 'future' | 'undo' | 'redo'>;

/** The work whose next step on a stack is the newest; `undefined` where none has any. */
const newestOn = <W extends Undoable>(works: readonly W[], stack: 'past' | 'future'): W | undefined =>
  works.filter((work) => work[stack].length > 0).sort((a, b) => (b[stack].at(-1)?.at ?? 0) - (a[stack].at(-1)?.at ?? 0))[0];

/** Several works that are undone as one: what was done last is undone first, what was undone last is done again first. */
export const undoOrder = (works: () => readonly Undoable[]) => ({
  get next(): string | undefined {
    return newestOn(works(), 'past')?.past.at(-1)?.gesture;
  },
  get again(): string | undefined {
    return newestOn(works(), 'future')?.future.at(-1)?.gesture;
  },
  undo: (): void => newestOn(works(), 'past')?.undo(),
  redo: (): void => newestOn(works(), 'future')?.redo(),
});
export type UndoOrder = ReturnType<typeof undoOrder>;

/** Answers the keys that every program has for undo and redo. @returns whether they were these */
export function answerUndoKeys(event: KeyboardEvent, order: UndoOrder): boolean {
  if (!(event.ctrlKey || event.metaKey) || event.altKey || event.defaultPrevented) return false;
  const key = event.key.toLowerCase();
  const redo = key === 'y' || (key === 'z' && event.shiftKey);
  if (key !== 'z' && key !== 'y') return false;
  event.preventDefault();
  // A text that is being written is a gesture of its own: it ends first.
  (event.target as Partial<HTMLElement> | null)?.blur?.();
  if (redo) order.redo();
  else order.undo();
  return true;
}
