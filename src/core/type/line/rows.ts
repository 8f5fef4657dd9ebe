import { graphemesOf } from '../graphemes';
import { leadsOn } from '../little-words';

/** A name longer than this, in letters, is read more easily over several rows of about so many. Common practice: a wordmark is at most some 20 capitals wide. */
const ROW = { most: 24, about: 19, rows: 5 } as const;
/** How much wider a row counts that ends with a word that leads on to the next. */
const HANGING = 1.25;

const lengthOf = (text: string): number => graphemesOf(text).length;

/** How many rows a name starts in: one, as long as it is read at a glance. */
export function rowsFor(name: string): number {
  const text = name.trim();
  const letters = lengthOf(text);
  if (letters <= ROW.most || text.includes('\n')) return 1;
  return Math.min(ROW.rows, text.split(/\s+/).length, Math.round(letters / ROW.about));
}

/**
 * The words of a name over so many rows that come out most alike: the widest as narrow as can be (exactly), the rest about as even.
 * @param widthOf of so many words from one on, in any unit
 * @returns where the words of each row begin and how many they are; nothing where there are fewer words than rows
 * @source dynamic programming over the breaks, after D. E. Knuth and M. F. Plass, “Breaking Paragraphs into Lines”, 1981 (from memory), with another measure
 */
export function evenBreaks(
  words: readonly string[],
  rows: number,
  widthOf: (from: number, count: number) => number,
): readonly { readonly from: number; readonly count: number }[] | undefined {
  if (rows < 1 || words.length < rows) return undefined;
  const last = words.length;
  const cost = (from: number, to: number) => widthOf(from, to - from) * (to < last && leadsOn(words[to - 1] as string) ? HANGING : 1);
  interface Way {
    readonly widest: number;
    readonly squares: number;
    readonly counts: readonly number[];
  }
  const better = (one: Way, other: Way | undefined) =>
    other === undefined || one.widest < other.widest || (one.widest === other.widest && one.squares < other.squares);
  // The best way to set all words up to one, in as many rows as have been begun.
  let ways: (Way | undefined)[] = Array.from({ length: last + 1 }, (_, to) => {
    const width = to > 0 ? cost(0, to) : 0;
    return to > 0 ? { widest: width, squares: width * width, counts: [to] } : undefined;
  });
  for (let row = 2; row <= rows; row++)
    ways = ways.map((_, to) => {
      let best: Way | undefined;
      for (let from = row - 1; from < to; from++) {
        const before = ways[from];
        if (!before) continue;
        const width = cost(from, to);
        const way = {
          widest: Math.max(before.widest, width),
          squares: before.squares + width * width,
          counts: [...before.counts, to - from],
        };
        if (better(way, best)) best = way;
      }
      return best;
    });
  let from = 0;
  return ways[last]?.counts.map((count) => ({ from: (from += count) - count, count }));
}

/** A name broken over rows; as it is where it has fewer words. @param widthOf of a text, in any unit; its number of letters, where no face is there */
export function inRows(name: string, rows: number, widthOf: (text: string) => number = lengthOf): string {
  const words = name.trim().split(/\s+/);
  const run = (from: number, count: number) => words.slice(from, from + count).join(' ');
  const found = evenBreaks(words, rows, (from, count) => widthOf(run(from, count)));
  return found?.map(({ from, count }) => run(from, count)).join('\n') ?? name;
}

/** A name as its first mark sets it: over several rows where it is long. */
export const startingRows = (name: string): string => inRows(name.trim(), rowsFor(name));
