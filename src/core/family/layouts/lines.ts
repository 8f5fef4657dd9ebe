import { heightOf, widthOf } from '../../geometry';
import { evenBreaks } from '../../type';
import { CRAFT, ground, inOneLine, underneath, wordsOf, type Bench, type LinkLook } from '../bench';
import { asWide, column, placed, row, type Item } from '../item';
import type { LayoutRow } from '../layout';

/** Most words that a name is broken over lines by. */
const MOST_WORDS = 12;

/** The name over two or more lines, broken where they come out most alike. */
function brokenLines(bench: Bench, lines: number, look: LinkLook): readonly Item[] | undefined {
  const words = wordsOf(bench.context.pieces.name);
  if (words.length > MOST_WORDS) return undefined;
  const run = (from: number, count: number) => bench.wordRun(from, count, look);
  const widthFrom = (from: number, count: number) => {
    const item = run(from, count);
    return item ? widthOf(item.box) : Infinity;
  };
  const found = evenBreaks(words, lines, widthFrom)?.map(({ from, count }) => run(from, count));
  return found?.every((item) => item !== undefined) ? (found as readonly Item[]) : undefined;
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
  const { pieces } = bench.context;
  const [name, second] = [bench.name(inOneLine(pieces.name)), bench.second(inOneLine(pieces.second))];
  // Without a second line it is the name that comes out of its rows.
  if (name && !pieces.second && pieces.name?.text.includes('\n')) return name;
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
