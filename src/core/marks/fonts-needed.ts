import { FALLBACK_FAMILIES, type FontChoice } from '../type';
import { derive, type Sources } from './derive';
import type { Recipe } from './recipe';

const plain = (family: string): FontChoice => ({ family, style: 'normal', axes: {} });

/** Basic and extended Latin; texts beyond it may need a letter from a lender, so the lenders are opened too. */
const LATIN_ONLY = /^[\n -\u024f\u2000-\u206f\u20ac]*$/;

/** Every font that drawing a recipe may look at, so that all can be opened beforehand. */
export function fontsNeeded(recipe: Recipe, sources: Sources): readonly FontChoice[] {
  return derive(recipe, sources).recipe.parts.flatMap((part) => {
    if (part.kind !== 'lettering') return [];
    return [
      part.font,
      ...part.letters.flatMap(({ font }) => font ?? []),
      ...(part.fallback ? [plain(part.fallback)] : []),
      ...(LATIN_ONLY.test(part.text) ? [] : FALLBACK_FAMILIES.map(plain)),
    ];
  });
}
