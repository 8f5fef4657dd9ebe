import { graphemesOf } from '../../type';
import type { HandGap, LetterAnchor, Lettering, LetterLook } from './schema';

/** Longest stretch of changed letters that is compared letter by letter; beyond it, only what stands before and after is known again. */
const LONGEST_COMPARED = 400;

export const lettersOf = (text: string): readonly string[] => graphemesOf(text).map((grapheme) => grapheme.text);

/**
 * Where each letter of an old text stands in a new one, if it is still there: common beginning, common end,
 * and the longest common subsequence between them.
 * @source Wagner and Fischer, "The String-to-String Correction Problem", J. ACM 21(1), 1974
 */
export function movedLetters(before: readonly string[], after: readonly string[]): ReadonlyMap<number, number> {
  const moved = new Map<number, number>();
  let start = 0;
  while (start < before.length && start < after.length && before[start] === after[start]) {
    moved.set(start, start);
    start++;
  }
  let end = 0;
  while (end < before.length - start && end < after.length - start && before[before.length - 1 - end] === after[after.length - 1 - end]) {
    moved.set(before.length - 1 - end, after.length - 1 - end);
    end++;
  }
  const old = before.slice(start, before.length - end);
  const fresh = after.slice(start, after.length - end);
  if (old.length === 0 || fresh.length === 0 || old.length > LONGEST_COMPARED || fresh.length > LONGEST_COMPARED) return moved;
  const width = fresh.length + 1;
  const lengths = new Uint16Array((old.length + 1) * width);
  const at = (i: number, j: number) => lengths[i * width + j] as number;
  for (let i = old.length - 1; i >= 0; i--)
    for (let j = fresh.length - 1; j >= 0; j--)
      lengths[i * width + j] = old[i] === fresh[j] ? at(i + 1, j + 1) + 1 : Math.max(at(i + 1, j), at(i, j + 1));
  for (let i = 0, j = 0; i < old.length && j < fresh.length;) {
    if (old[i] === fresh[j]) moved.set(start + i++, start + j++);
    else if (at(i + 1, j) >= at(i, j + 1)) i++;
    else j++;
  }
  return moved;
}

const isThere = (letters: readonly string[], anchor: LetterAnchor): boolean => letters[anchor.index] === anchor.letter;
export const gapIsThere = (letters: readonly string[], gap: HandGap): boolean =>
  letters[gap.index] === gap.left && letters[gap.index + 1] === gap.right;

/** The lettering with another text. What was done to letters and gaps goes with them; what has lost its letter waits for it. */
export function retext(part: Lettering, text: string): Lettering {
  if (text === part.text) return part;
  const before = lettersOf(part.text);
  const after = lettersOf(text);
  const moved = movedLetters(before, after);
  const follow = <T extends { readonly at: LetterAnchor | { readonly every: string } | null }>(each: T): T => {
    if (each.at === null || !('index' in each.at) || !isThere(before, each.at)) return each;
    const index = moved.get(each.at.index);
    return index === undefined ? each : { ...each, at: { ...each.at, index } };
  };
  return {
    ...part,
    text,
    letters: part.letters.map(follow),
    cuts: part.cuts.map(follow),
    belts: part.belts.map(follow),
    gaps: part.gaps.map((gap) => {
      const index = moved.get(gap.index);
      return index !== undefined && gapIsThere(before, gap) && moved.get(gap.index + 1) === index + 1 ? { ...gap, index } : gap;
    }),
  };
}

/** What was done to letters and gaps that the text does not have at their place now. */
export function waiting(part: Lettering): readonly string[] {
  const letters = lettersOf(part.text);
  const anchored = [...part.letters, ...part.cuts, ...part.belts].flatMap(({ at }) =>
    at !== null && 'index' in at && !isThere(letters, at) ? [at.letter] : [],
  );
  return [...anchored, ...part.gaps.filter((gap) => !gapIsThere(letters, gap)).map(({ left, right }) => left + right)];
}

/** The lettering without what waits for letters that are gone. */
export function forgetWaiting(part: Lettering): Lettering {
  const letters = lettersOf(part.text);
  const stays = ({ at }: { readonly at: LetterAnchor | { readonly every: string } | null }) =>
    at === null || !('index' in at) || isThere(letters, at);
  return {
    ...part,
    letters: part.letters.filter(stays),
    cuts: part.cuts.filter(stays),
    belts: part.belts.filter(stays),
    gaps: part.gaps.filter((gap) => gapIsThere(letters, gap)),
  };
}

/** What a letter has of its own: what every such letter has, overruled by what this one has. */
export type OwnLook = Omit<LetterLook, 'at'>;

/** Looks up letters' own looks, by typed index. */
export function createLooks(part: Lettering): (index: number) => OwnLook | undefined {
  if (part.letters.length === 0) return () => undefined;
  const letters = lettersOf(part.text);
  const every = new Map<string, OwnLook>();
  const single = new Map<number, OwnLook>();
  for (const { at, ...look } of part.letters) {
    if ('every' in at) {
      if (!every.has(at.every)) every.set(at.every, look);
    } else if (isThere(letters, at) && !single.has(at.index)) single.set(at.index, look);
  }
  return (index) => {
    const shared = every.get(letters[index] ?? '');
    const own = single.get(index);
    return shared && own ? { ...shared, ...own } : (own ?? shared);
  };
}

/** Looks up hand adjustments, by the typed index of the letter before the gap. */
export function createGaps(part: Lettering): (index: number) => number | undefined {
  if (part.gaps.length === 0) return () => undefined;
  const letters = lettersOf(part.text);
  const gaps = new Map<number, number>();
  for (const gap of part.gaps) if (gapIsThere(letters, gap) && !gaps.has(gap.index)) gaps.set(gap.index, gap.permille);
  return (index) => gaps.get(index);
}

/** A lettering of a run of its letters only, with all that was done to them and to the gaps between. @param from counted in letters */
export function takeLetters(part: Lettering, from: number, count: number): Lettering {
  const letters = lettersOf(part.text).slice(from, from + count);
  const here = <T extends { readonly at: LetterAnchor | { readonly every: string } | null }>(each: T): readonly T[] => {
    if (each.at === null) return [];
    if (!('index' in each.at)) return [each];
    const { index, letter } = each.at;
    return letters[index - from] === letter ? [{ ...each, at: { index: index - from, letter } }] : [];
  };
  return {
    ...part,
    text: letters.join(''),
    letters: part.letters.flatMap(here),
    cuts: part.cuts.flatMap(here),
    belts: part.belts.flatMap(here),
    gaps: part.gaps.flatMap((gap) => (gap.index >= from && gap.index + 1 < from + count ? [{ ...gap, index: gap.index - from }] : [])),
  };
}

/** Where a run of letters, words or lines stands in a text, counted in letters; what lies beyond its end is nothing. */
export function runOf(
  text: string,
  of: 'letters' | 'words' | 'lines',
  from: number,
  count: number,
): { readonly from: number; readonly count: number } {
  const letters = lettersOf(text);
  if (of === 'letters') return { from: Math.min(from, letters.length), count: Math.max(0, Math.min(count, letters.length - from)) };
  const ends = (letter: string): boolean => (of === 'lines' ? letter === '\n' : letter.trim() === '');
  const pieces: { from: number; to: number }[] = [];
  letters.forEach((letter, index) => {
    const last = pieces.at(-1);
    if (ends(letter)) return;
    if (last && last.to === index) last.to = index + 1;
    else pieces.push({ from: index, to: index + 1 });
  });
  const taken = pieces.slice(from, from + count);
  const [first, last] = [taken[0], taken.at(-1)];
  return first && last ? { from: first.from, count: last.to - first.from } : { from: letters.length, count: 0 };
}
