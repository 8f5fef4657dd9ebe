import type { Bench } from '../bench';
import { CRAFT } from '../bench';
import { asHigh, column, row, type Item } from '../item';
import type { LayoutRow } from '../layout';

const beside = (symbol: Item | undefined, words: Item | undefined, before: boolean): Item | undefined => {
  if (!symbol || !words) return undefined;
  const cap = words.capPx ?? 0;
  const tall = words.box.bottom - words.box.top;
  // Beside several lines it is as high as they are together, beside one it stands well over the capitals.
  const sized = asHigh(symbol, Math.max(CRAFT.symbolBeside * cap, tall));
  return row(before ? [sized, words] : [words, sized], [CRAFT.gapBeside * cap]);
};
const stacked = (symbol: Item | undefined, words: Item | undefined, above: boolean): Item | undefined => {
  if (!symbol || !words) return undefined;
  const cap = words.capPx ?? 0;
  const sized = asHigh(symbol, CRAFT.symbolAbove * cap);
  return column(above ? [sized, words] : [words, sized], [CRAFT.gapAbove * cap]);
};
const both = (bench: Bench) => [bench.symbol(), bench.block()] as const;

/** Symbol and words, in each other's measure. */
export const lockups = {
  'symbol-left': { label: 'symbol to the left', role: 'secondary', lay: (bench) => beside(...both(bench), true) },
  'symbol-right': { label: 'symbol to the right', role: 'secondary', lay: (bench) => beside(...both(bench), false) },
  'symbol-above': { label: 'symbol above', role: 'secondary', lay: (bench) => stacked(...both(bench), true) },
  'symbol-below': { label: 'symbol below', role: 'secondary', lay: (bench) => stacked(...both(bench), false) },
  'symbol-and-name': {
    label: 'symbol and name, no second line',
    role: 'secondary',
    lay: (bench) => (bench.context.pieces.second ? beside(bench.symbol(), bench.name(), true) : undefined),
  },
  'symbol-alone': { label: 'symbol alone', role: 'icon', lay: (bench) => bench.symbol() },
} as const satisfies Readonly<Record<string, LayoutRow>>;
