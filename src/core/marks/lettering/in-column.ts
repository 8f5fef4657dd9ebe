import type { Problem } from '../../result/result';
import { syllablesIn, wrapText, type WrappedLine, type WrappedText } from '../../type';
import { inkOfLetters, lowered, type FlatLine, type LineSetting } from './flat-text';
import type { Lettering, Wrap } from './schema';

/** Steps in which the largest size that fits a column is looked for: within 0.2 % of it. */
const COLUMN_STEPS = 9;

/** The same number of lines, as nearly equally long as they can be: the narrowest column that they need no further line in. */
function evened(wrapped: (width: number) => WrappedText, width: number, filled: WrappedText): WrappedText {
  if (filled.lines.length < 2 || filled.broken.length > 0) return filled;
  let [low, high, best] = [width / 2, width, filled];
  for (let step = 0; step < COLUMN_STEPS; step++) {
    const middle = (low + high) / 2;
    const tried = wrapped(middle);
    if (tried.lines.length === filled.lines.length && tried.broken.length === 0) [high, best] = [middle, tried];
    else low = middle;
  }
  return best;
}

/** The lines of a text in its column, one under another at even steps, made smaller where they would be higher than it. */
export function inColumn(
  part: Lettering,
  wrap: Wrap,
  sizePx: number,
  set: (line: WrappedLine, setting: LineSetting) => FlatLine,
): { readonly lines: readonly FlatLine[]; readonly notices: readonly Problem[] } {
  const perPx = 1000 / sizePx;
  const [width, height] = [wrap.widthPx * perPx, wrap.heightPx === null ? undefined : wrap.heightPx * perPx];
  const { hyphens } = wrap;
  const partsOf = hyphens && syllablesIn(hyphens);
  const at = (size: number) => {
    const setting: LineSetting = { size, trackingPermille: part.trackingPermille, axes: part.font.axes };
    const widths = new Map<string, number>();
    const widthOf = (piece: string): number => {
      const known = widths.get(piece);
      if (known !== undefined) return known;
      const { advance } = set({ text: piece, first: 0 }, setting);
      widths.set(piece, advance);
      return advance;
    };
    const wrapped = (to: number) => wrapText(part.text, widthOf, to, partsOf);
    const filled = wrapped(width);
    const { lines, broken } = wrap.even ? evened(wrapped, width, filled) : filled;
    const flat = lines.map((line) => set(line, setting));
    const ink = inkOfLetters(flat[0]?.letters ?? []);
    const foot = inkOfLetters(flat.at(-1)?.letters ?? []);
    const step = (1000 + part.leadingPermille) * size;
    const rise = -(ink?.top ?? 0);
    return { flat, broken, step, rise, high: rise + step * (flat.length - 1) + Math.max(0, foot?.bottom ?? 0), size };
  };
  let best = at(1);
  const notices: Problem[] = [];
  if (hyphens && !partsOf)
    notices.push({
      code: 'not-divided',
      message: 'Its words are not divided: the rules of their language could not be had.',
      fix: 'They are asked for again with the next change.',
    });
  // A word that is wider than its column makes the text smaller too, before it is broken.
  const fits = ({ high, broken }: typeof best): boolean => (height === undefined || high <= height) && broken.length === 0;
  if (height !== undefined && !fits(best)) {
    let [low, high] = [wrap.leastPercent / 100, 1];
    best = at(low);
    if (fits(best))
      for (let step = 0; step < COLUMN_STEPS; step++) {
        const middle = (low + high) / 2;
        const tried = at(middle);
        if (fits(tried)) [low, best] = [middle, tried];
        else high = middle;
      }
    const percent = Math.round(best.size * 100);
    if (best.high > height)
      notices.push({
        code: 'text-too-long',
        message: `Even at ${percent} % of its size this text is ${Math.ceil(((best.high - height) * sizePx) / 1000)} px higher than its column.`,
        fix: 'Make it shorter, or its column larger.',
      });
    else
      notices.push({
        code: 'text-made-smaller',
        message: `It is set at ${percent} % of its size, so that it fits its column.`,
        fix: 'Make it shorter, its size smaller, or its column larger.',
      });
  }
  if (best.broken.length > 0)
    notices.push({
      code: 'word-broken',
      message: `${best.broken.map((word) => `“${word.slice(0, 40)}”`).join(', ')} is wider than the column, and broken between letters.`,
      fix: 'Make the column wider, or the size smaller.',
    });
  const free = height === undefined ? 0 : Math.max(0, height - best.high);
  const top = wrap.stands === 'top' ? 0 : wrap.stands === 'middle' ? free / 2 : free;
  return { lines: best.flat.map((line, index) => lowered(line, best.rise + top + index * best.step)), notices };
}
