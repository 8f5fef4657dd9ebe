/** A gesture that waits to be saved; its recipe is the JSON document that the server will store. */
export interface WaitingGesture {
  readonly id: string;
  readonly kind: 'edit' | 'undo' | 'redo';
  readonly gesture: string;
  readonly recipe: unknown;
}

/** What a tab has not saved yet, kept in the browser so that it outlives the tab, the server and the database. */
export interface UnsavedWork {
  /** The revision the gestures began from. */
  readonly base: number;
  readonly gestures: readonly WaitingGesture[];
}

const keyOf = (markId: string) => `lucky-thistle/unsaved/${markId}`;

export function readUnsaved(markId: string): UnsavedWork | undefined {
  try {
    const stored = localStorage.getItem(keyOf(markId));
    const work = stored ? (JSON.parse(stored) as UnsavedWork) : undefined;
    return work && Array.isArray(work.gestures) && work.gestures.length > 0 ? work : undefined;
  } catch {
    return undefined; // A browser without storage, or a torn entry: nothing that could be restored.
  }
}

export function writeUnsaved(markId: string, work: UnsavedWork | undefined): void {
  try {
    if (work && work.gestures.length > 0) localStorage.setItem(keyOf(markId), JSON.stringify(work));
    else localStorage.removeItem(keyOf(markId));
  } catch {
    // Storage is full or forbidden; the tab itself still holds the work.
  }
}
