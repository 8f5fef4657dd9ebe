import type { Journal, JournalLine, LeftWork } from './journal';

/** What a tab that is gone left behind, less what the server has. */
export interface OwedWork {
  readonly left: LeftWork;
  /** The number that the first owed gesture began from. */
  readonly base: number;
  /** What the server does not have, in the order in which it was made; never empty. */
  readonly owed: readonly JournalLine[];
}

/**
 * Everything that tabs which are gone left of a subject and the server does not have, the newest work last. Journals of which nothing is owed
 * are forgotten on the way.
 * @param known asks which of these gestures the server has: id → number
 * @param isReadable whether this version understands a work; what it does not understand is left as it is
 */
export async function owedWorks(
  journal: Journal | undefined,
  known: (ids: readonly string[]) => Promise<Readonly<Record<string, number>>>,
  isReadable: (left: LeftWork) => boolean,
): Promise<readonly OwedWork[]> {
  const works: OwedWork[] = [];
  for (const left of (await journal?.left()) ?? []) {
    if (!isReadable(left)) continue;
    const numbers = await known(left.lines.map(({ id }) => id));
    const last = left.lines.findLastIndex(({ id }) => numbers[id] !== undefined);
    const owed = left.lines.slice(last + 1);
    const [first] = owed;
    if (!first) await journal?.forget(left);
    else works.push({ left, base: numbers[left.lines[last]?.id ?? ''] ?? first.base, owed });
  }
  const newest = ({ owed }: OwedWork) => owed.at(-1)?.at ?? 0;
  return works.sort((a, b) => newest(a) - newest(b));
}
