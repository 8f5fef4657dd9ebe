import { heightOf, widthOf } from '../../geometry';
import { CRAFT, ground, underneath, type Bench, type LinkLook } from '../bench';
import { asWide, column, placed, row, type Item } from '../item';
import type { LayoutRow } from '../layout';

/** Most words that a name is broken over lines by. */
const MOST_WORDS = 8;

/** The ways to break words over lines, as the number of words on each. */
function breaks(words: number, lines: number): readonly (readonly number[])[] {
  if (lines === 1) return [[words]];
  return Array.from({ length: words - lines + 1 }, (_, at) => at + 1).flatMap((first) =>
    breaks(words - first, lines - 1).map((rest) => [first, ...rest]),
  );
}

/** The name over two or more lines, broken where they come out most alike. */
function brokenLines(bench: Bench, lines: number, look: LinkLook): readonly Item[] | undefined {
  const words = bench.wordCount;
  if (words < lines || words > MOST_WORDS) return undefined;
  const ways = breaks(words, lines).map((counts) => {
    let from = 0;
    return counts.map((count) => {
      const line = bench.wordRun(from, count, look);
      from += count;
      return line;
    });
  });
  const spread = (items: readonly (Item | undefined)[]) => Math.max(...items.map((item) => (item ? widthOf(item.box) : Infinity)));
  const best = [...ways].sort((one, other) => spread(one) - spread(other))[0];
  return best?.every((item) => item !== undefined) ? (best as readonly Item[]) : undefined;
}
const gapsFor = (items: readonly Item[]) => items.slice(1).map(() => CRAFT.gapLines * Math.max(...items.map(({ capPx }) => capPx ?? 0)));

function broken(bench: Bench, even: boolean, lines = 2, look: LinkLook = {}): Item | undefined {
  const found = brokenLines(bench, lines, look);
  if (!found) return undefined;
  const widest = Math.max(...found.map(({ box }) => widthOf(box)));
  const items = even ? found.map((item) => asWide(item, widest)) : found;
  const block = column(
    items,
    even ? items.slice(1).map(() => CRAFT.gapLines * Math.min(...items.map(({ capPx }) => capPx ?? 0))) : gapsFor(items),
  );
  const second = bench.second(look);
  return second ? underneath({ ...block, capPx: Math.min(...items.map(({ capPx }) => capPx ?? 0)) }, second) : block;
}

/** The widest a name may be for its height to stand on something in one line. */
const TOO_WIDE = 7;
/** Name and second line as they stand on a panel or a disk: a long name is broken over lines there. */
export function standingBlock(bench: Bench, look: LinkLook, most: number): Item | undefined {
  const block = bench.block(look);
  const name = bench.name(look);
  if (!name || widthOf(name.box) < TOO_WIDE * (name.capPx ?? heightOf(name.box))) return block;
  return broken(bench, false, Math.min(most, bench.wordCount), look) ?? block;
}

/** Name and second line in one line, a thin rule between them. */
function oneLine(bench: Bench): Item | undefined {
  const [name, second] = [bench.name(), bench.second()];
  if (!name?.capPx || !second?.capPx) return undefined;
  const cap = name.capPx;
  const rule = ground(
    'rule',
    'Rule',
    { form: 'panel', widthPx: cap * 0.03, heightPx: cap, cornerPx: 0 },
    { role: 'ink' },
    { widthPx: cap * 0.03, heightPx: cap },
  );
  return row([name, rule, placed(second, { scale: (0.42 * cap) / second.capPx })], [0.55 * cap, 0.55 * cap]);
}

/** Words without a symbol. */
export const lines = {
  'name-and-second': {
    label: 'name and second line',
    role: 'secondary',
    lay: (bench) => (bench.context.pieces.second ? bench.block() : undefined),
  },
  'name-alone': { label: 'name alone', role: 'secondary', lay: (bench) => bench.name() },
  'one-line': { label: 'all in one line', role: 'secondary', lay: oneLine },
  'two-lines': { label: 'name over two lines', role: 'secondary', lay: (bench) => broken(bench, false) },
  'two-even-lines': { label: 'two lines of one width', role: 'secondary', lay: (bench) => broken(bench, true) },
  'three-lines': { label: 'name over three lines', role: 'secondary', lay: (bench) => broken(bench, false, 3) },
} as const satisfies Readonly<Record<string, LayoutRow>>;
