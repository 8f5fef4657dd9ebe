import type { EntityManager } from '@mikro-orm/postgresql';
import { undoStacks, type RevisionKind } from '$core/index';
import { tellMoved } from '../events';
import { ProblemError, refuse } from '../http/problem-error';

/** One gesture to be saved, with what it leads to. */
export interface Gesture<T> {
  /** Chosen by whoever saves, so that a repeated save is recognized. */
  readonly id: string;
  readonly kind: RevisionKind;
  readonly gesture: string;
  readonly content: T;
}

/** One saved link: everything but its content. */
export interface Link {
  readonly id: string;
  readonly number: number;
  readonly kind: RevisionKind;
  readonly gesture: string;
  readonly createdAt: Date;
  readonly madeBy: string;
  readonly madeFrom: string;
}
/** The columns of a link. */
export const LINK_FIELDS = ['id', 'number', 'kind', 'gesture', 'createdAt', 'madeBy', 'madeFrom'] as const;
export const linkOf = ({ id, number, kind, gesture, createdAt, madeBy, madeFrom }: Link): Link => ({
  ...{ id, number, kind, gesture, createdAt },
  ...{ madeBy, madeFrom },
});

/** By whom and from where, as a sentence goes on: “ by Ines (Firefox on Linux, the table)”; empty where nothing is known. */
const byWhom = ({ madeBy, madeFrom }: Link): string => (madeBy && ` by ${madeBy}`) + (madeFrom && ` (${madeFrom})`);

/** What marks, documents and palettes have in common: an append-only chain of gestures, of which the newest counts. */
export interface Chain<T> {
  /** What it is, as a sentence names it: “This mark”. */
  readonly label: string;
  /** What pages that show it listen for. */
  readonly subject: string;
  /** Number of the newest link; the chain is locked while a transaction reads it. 0 while nothing was saved. */
  readonly number: number;
  readonly links: (em: EntityManager) => Promise<readonly Link[]>;
  /** The links of these ids, wherever they are; `own` says whether they belong to this chain. */
  readonly find: (em: EntityManager, ids: readonly string[]) => Promise<readonly (Link & { readonly own: boolean })[]>;
  readonly contents: (em: EntityManager, numbers: readonly number[]) => Promise<ReadonlyMap<number, T>>;
  /** Appends one link; may refuse what it leads to. */
  readonly append: (em: EntityManager, gesture: Gesture<T>, number: number) => Promise<void>;
  /** The newest version, as a refusal hands it back. */
  readonly current: (em: EntityManager) => Promise<Readonly<Record<string, unknown>>>;
}

export interface Saved {
  readonly revision: number;
  readonly savedAt: string;
}

/**
 * Appends gestures to a chain, in order, all or none; to be called in a transaction that holds the chain's lock.
 * @param base the number they began from; when the chain has moved on since, the save is refused with the newer version, and nothing is overwritten
 */
export async function appendGestures<T>(tx: EntityManager, chain: Chain<T>, base: number, gestures: readonly Gesture<T>[]): Promise<Saved> {
  const ids = gestures.map(({ id }) => id);
  if (new Set(ids).size < ids.length)
    throw refuse(422, 'gesture-twice', 'Two gestures of this save have the same id.', 'Give every gesture an id of its own.');
  // A save whose answer was lost is sent again; what is already in the chain is not saved twice.
  const known = await chain.find(tx, ids);
  if (known.some(({ own }) => !own))
    throw refuse(
      422,
      'gesture-taken',
      'A gesture of this save has the id of one that was saved elsewhere.',
      'Give every gesture a new id.',
    );
  const saved = [...known].sort((a, b) => a.number - b.number);
  const fresh = gestures.slice(saved.length);
  const continues = saved.every(({ id, number }, index) => id === ids[index] && number === base + 1 + index);
  const last = base + saved.length;
  if (!continues || (chain.number !== last && fresh.length > 0)) {
    const newest = (await chain.links(tx)).at(-1);
    const { problems } = refuse(
      409,
      'stale-save',
      `${chain.label} was changed elsewhere${newest ? byWhom(newest) : ''} and is at revision ${chain.number}, yours began from ${base}; nothing was overwritten.`,
      'Choose which version to go on with.',
    );
    throw new ProblemError(409, problems, {
      current: { ...(await chain.current(tx)), by: newest ? byWhom(newest) : '' },
    });
  }
  const now = new Date();
  for (const [index, gesture] of fresh.entries()) await chain.append(tx, gesture, last + 1 + index);
  await tx.flush();
  const revision = last + fresh.length;
  if (fresh.length > 0) await tellMoved(tx, { subject: chain.subject, revision });
  return { revision, savedAt: (fresh.length > 0 ? now : (saved.at(-1)?.createdAt ?? now)).toISOString() };
}

/** What undo or redo leads to. */
export interface Step<T> {
  readonly number: number;
  readonly gesture: string;
  /** When the gesture was made that this step takes back or makes again, as ISO 8601. */
  readonly at: string;
  readonly content: T;
}

/** Undo steps sent to a page at once; older ones stay in the database. */
const STEPS_SENT = 60;

/** Where undo and redo lead from a chain's newest link; the next step stands last in each. */
export async function undoSteps<T>(
  em: EntityManager,
  chain: Chain<T>,
): Promise<{ readonly past: readonly Step<T>[]; readonly future: readonly Step<T>[] }> {
  const links = await chain.links(em);
  const stacks = undoStacks(links);
  const [past, future] = [stacks.past.slice(-STEPS_SENT), stacks.future.slice(-STEPS_SENT)];
  const contents = await chain.contents(em, [...past, ...future]);
  const byNumber = new Map(links.map((link) => [link.number, link]));
  const steps = (numbers: readonly number[]): Step<T>[] =>
    numbers.flatMap((number) => {
      // A link is pushed onto a stack by the one after it: that is the gesture which is taken back, or made again.
      const [pushedBy, content] = [byNumber.get(number + 1), contents.get(number)];
      return pushedBy && content !== undefined
        ? [{ number, gesture: pushedBy.gesture, at: pushedBy.createdAt.toISOString(), content }]
        : [];
    });
  return { past: steps(past), future: steps(future) };
}

/** Which of these gestures are saved already, and as which number. */
export async function knownGestures(
  em: EntityManager,
  chain: Chain<unknown>,
  ids: readonly string[],
): Promise<Readonly<Record<string, number>>> {
  const found = await chain.find(em, ids);
  return Object.fromEntries(found.filter(({ own }) => own).map(({ id, number }) => [id, number]));
}
