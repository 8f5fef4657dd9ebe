import { boundsOf, type PathAlgebra, type Region } from '../../geometry';
import { graphemesOf, type SetLetter, type StandingOutline } from '../../type';
import { cutThrough } from './cuts';
import { outlineOfLetter, type Outline } from './outlines';
import type { Cut, Lettering } from './schema';

/** What cutting takes: path algebra, and a memory of what was made by its key. */
interface Cutting {
  readonly paths: PathAlgebra;
  readonly remember: <T>(key: string, make: () => T) => T;
}

/** Whether the text has that letter at that place now. */
export const letterIs = (part: Lettering, index: number, wanted: string): boolean => graphemesOf(part.text)[index]?.text === wanted;

const cutKey = ({ id: _id, at: _at, ...numbers }: Cut): string => JSON.stringify(numbers);

/** A letter's outline with its own cuts, by which it is kerned. */
export function asCut(part: Lettering, letter: SetLetter, index: number, context: Cutting): StandingOutline | undefined {
  const cuts = cutsOf(part, index);
  if (cuts.length === 0) return undefined;
  const outline = outlineOfLetter(letter);
  const { region, key } = cutOutline(outline, cuts, context);
  return { key, path: region.path };
}

/** The cuts of one letter. */
export const cutsOf = (part: Lettering, index: number): readonly Cut[] =>
  part.cuts.filter(({ at }) => at !== null && at.index === index && letterIs(part, index, at.letter));

/** An outline without what cuts take from it, and a key that names it. */
export function cutOutline(outline: Outline, cuts: readonly Cut[], context: Cutting): { readonly region: Region; readonly key: string } {
  let key = `letter ${outline.id}`;
  let region: Region = { path: outline.path, rule: 'nonzero' };
  const box = boundsOf(outline.path);
  for (const cut of cuts) {
    if (!box) break;
    const before = region;
    key += ` ${cutKey(cut)}`;
    region = context.remember(key, () => cutThrough(before, cut, box, context.paths));
  }
  return { region, key };
}
