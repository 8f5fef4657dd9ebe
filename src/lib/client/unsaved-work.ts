/** A gesture that waits to be saved. */
export interface WaitingGesture {
  readonly id: string;
  readonly kind: 'edit' | 'undo' | 'redo';
  readonly gesture: string;
  /** The recipe that the server will store, as JSON text. */
  readonly recipe: string;
}

/** What a tab has not saved yet, kept in the browser so that it outlives the tab, the server and the database. */
export interface UnsavedWork {
  /** The revision the gestures began from. */
  readonly base: number;
  readonly gestures: readonly WaitingGesture[];
}

const keyOf = (markId: string) => `lucky-thistle/unsaved/${markId}`;

/** Gestures as JSON, their recipes set in as they are: what is stored here, and what the server is sent. */
export const writtenWork = ({ base, gestures }: UnsavedWork): string =>
  `{"base":${base},"gestures":[${gestures
    .map(({ recipe, ...words }) => `${JSON.stringify(words).slice(0, -1)},"recipe":${recipe}}`)
    .join()}]}`;

export function readUnsaved(markId: string): UnsavedWork | undefined {
  try {
    const stored = localStorage.getItem(keyOf(markId));
    const work = stored
      ? (JSON.parse(stored) as { base: number; gestures: (Omit<WaitingGesture, 'recipe'> & { recipe: unknown })[] })
      : undefined;
    if (!work || !Array.isArray(work.gestures) || work.gestures.length === 0) return undefined;
    return { base: work.base, gestures: work.gestures.map((gesture) => ({ ...gesture, recipe: JSON.stringify(gesture.recipe) })) };
  } catch {
    return undefined; // A browser without storage, or a torn entry: nothing that could be restored.
  }
}

export function writeUnsaved(markId: string, work: UnsavedWork | undefined): void {
  try {
    if (work && work.gestures.length > 0) localStorage.setItem(keyOf(markId), writtenWork(work));
    else localStorage.removeItem(keyOf(markId));
  } catch {
    // Storage is full or forbidden; the tab itself still holds the work.
  }
}
