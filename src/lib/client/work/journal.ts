import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { z } from 'zod';
import { whoWorks } from './who-works';

/** A gesture that waits to be saved. */
export interface WaitingGesture {
  readonly id: string;
  readonly kind: 'edit' | 'undo' | 'redo';
  readonly gesture: string;
  /** What it leads to, as the JSON text that the server will store. */
  readonly content: string;
}

/** One line of the journal: a gesture, whose it is, and where it began. */
export interface JournalLine extends WaitingGesture {
  /** Form of this line. */
  readonly version: number;
  /** What was worked on, as `Moved.subject` names it. */
  readonly subject: string;
  readonly tab: string;
  /** Who made it, by their id, where people sign in. */
  readonly person?: string | undefined;
  /** Place in the tab's journal of this subject. */
  readonly seq: number;
  /** The number that the gesture, or the unsaved ones before it, began from. */
  readonly base: number;
  /** Milliseconds since 1970, by the clock of then; only for telling versions apart, never for order within a tab. */
  readonly at: number;
}

const VERSION = 1;
const lineSchema = z.object({
  version: z.literal(VERSION),
  subject: z.string(),
  tab: z.string(),
  person: z.string().optional(),
  seq: z.number().int(),
  base: z.number().int().min(0),
  at: z.number(),
  id: z.uuid(),
  kind: z.enum(['edit', 'undo', 'redo']),
  gesture: z.string(),
  content: z.string().refine((text) => {
    try {
      JSON.parse(text);
      return true;
    } catch {
      return false;
    }
  }),
});

/** What a tab that is gone has left behind. */
export interface LeftWork {
  readonly tab: string;
  readonly lines: readonly JournalLine[];
  /** Lines that cannot be read: damaged, or written by a newer version. They stay where they are. */
  readonly unread: number;
}

interface Schema extends DBSchema {
  lines: { key: [string, string, number]; value: JournalLine };
}

/** Whether a line is of whoever sits here: where nobody signs in, and of lines that name nobody, all are. */
const isOwn = (person: string | undefined): boolean => {
  const here = whoWorks().person;
  return person === undefined || here === undefined || person === here;
};

const lockOf = (tab: string): string => `lucky-thistle/tab/${tab}`;
/** Locks tell which tabs live. Browsers keep them to secure addresses; without them every other journal counts as left. */
const locks = (): LockManager | undefined => globalThis.navigator?.locks;
/** Whether a tab is gone; its journal is then locked until this page closes, so that two pages do not both take it up. */
async function isGone(tab: string): Promise<boolean> {
  const manager = locks();
  if (!manager || adopted.has(tab)) return true;
  return new Promise((resolve) => {
    void manager.request(lockOf(tab), { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      if (!lock) return undefined;
      adopted.add(tab);
      return new Promise<never>(() => undefined);
    });
  });
}
const adopted = new Set<string>();

type Database = IDBPDatabase<Schema>;
const storeOf = (database: Database) => database.transaction('lines', 'readwrite', { durability: 'strict' }).store;
type Store = ReturnType<typeof storeOf>;

/** Opened once for this page; kept at hand, so that a write begins in the same moment in which it is asked for. */
let database: Database | undefined;
let opening: Promise<Database | undefined> | undefined;
const opened = (): Promise<Database | undefined> =>
  (opening ??= openDB<Schema>('lucky-thistle', 1, {
    upgrade: (fresh) => void fresh.createObjectStore('lines', { keyPath: ['subject', 'tab', 'seq'] }),
    // A newer version of the app wants to change the form: it may, and this page goes on without.
    blocking: () => {
      database?.close();
      database = undefined;
      opening = Promise.resolve(undefined);
    },
    terminated: () => (database = opening = undefined),
  }).then(
    (fresh) => (database = fresh),
    () => undefined, // No storage, or a forbidden one: every write says that it is not safe.
  ));

/**
 * The unsaved work on one subject in one tab: an append-only list of gestures, which outlives the tab, the server and the browser.
 * A line is written the moment a gesture ends and removed once the server has it.
 */
export class Journal {
  readonly #tab: string = crypto.randomUUID();
  #release: (() => void) | undefined;
  /** Writes are finished in the order in which they were asked for. */
  #last: Promise<boolean> = Promise.resolve(true);

  /** @param subject what is worked on, as `Moved.subject` names it */
  constructor(readonly subject: string) {
    void opened();
    void locks()?.request(lockOf(this.#tab), () => new Promise<void>((release) => (this.#release = release)));
  }

  /** Gives the journal up, for whoever opens the subject next. */
  close(): void {
    this.#release?.();
  }

  /** Writes lines down. @param first place of the first one @returns whether all that was written so far is safe */
  append(base: number, first: number, gestures: readonly WaitingGesture[]): Promise<boolean> {
    const lines = gestures.map((gesture, index) => ({
      ...gesture,
      version: VERSION,
      subject: this.subject,
      tab: this.#tab,
      ...(whoWorks().person === undefined ? {} : { person: whoWorks().person }),
      seq: first + index,
      base,
      at: Date.now(),
    }));
    // Begun at once where the database is open, so that a tab that is closed in the next moment has already handed it over.
    return this.#write((store) => lines.map((line) => store.put(line)));
  }

  /** Takes lines out that the server has, those before the place `upTo`; the rest begin from `base` now. */
  settle(upTo: number, base: number): Promise<boolean> {
    return this.#write((store) => {
      const own = (from: number, to: number) => IDBKeyRange.bound([this.subject, this.#tab, from], [this.subject, this.#tab, to]);
      const rest = async () => {
        for (let cursor = await store.openCursor(own(upTo, Infinity)); cursor; cursor = await cursor.continue())
          await cursor.update({ ...cursor.value, base });
      };
      return [store.delete(own(-1, upTo - 1)), rest()];
    });
  }

  /**
   * Everything that tabs which are gone have left of this subject; it is this tab's to deal with from now on. What somebody else left who signs in
   * in this browser stays there for them: it would be saved under another name.
   */
  async left(): Promise<readonly LeftWork[]> {
    const from = await opened();
    if (!from) return [];
    const found: unknown[] = await from.getAll('lines', IDBKeyRange.bound([this.subject], [this.subject, []])).catch(() => []);
    const tabs = new Map<string, unknown[]>();
    for (const line of found) {
      const { tab, person } = line as { tab: string; person?: string };
      if (tab !== this.#tab && isOwn(person)) tabs.set(tab, [...(tabs.get(tab) ?? []), line]);
    }
    const left: LeftWork[] = [];
    for (const [tab, lines] of tabs) {
      if (!(await isGone(tab))) continue;
      const read = lines.flatMap((line) => {
        const parsed = lineSchema.safeParse(line);
        return parsed.success ? [parsed.data] : [];
      });
      left.push({ tab, lines: read.sort((a, b) => a.seq - b.seq), unread: lines.length - read.length });
    }
    return left;
  }

  /** Removes what was left, once it is safe elsewhere; lines that could not be read stay. */
  async forget(left: LeftWork): Promise<void> {
    await this.#write((store) => left.lines.map(({ seq }) => store.delete([this.subject, left.tab, seq])));
  }

  #write(run: (store: Store) => readonly Promise<unknown>[]): Promise<boolean> {
    const write = async (into: Database | undefined): Promise<boolean> => {
      if (!into) return false;
      const store = storeOf(into);
      await Promise.all([...run(store), store.transaction.done]);
      return true;
    };
    // Begun at once where the database is open: a tab that is closed in the next moment has already handed it over.
    const outcome = (database ? write(database) : opened().then(write)).catch(() => false);
    return (this.#last = Promise.all([this.#last, outcome]).then(([, safe]) => safe));
  }
}
