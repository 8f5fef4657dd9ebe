import type { Recipe } from '../recipe/recipe';
import { changePart } from '../recipe/edit';
import { lettersOf, type OwnLook } from './anchors';
import type { Belt, Cut, Lettering, LetterLook } from './schema';

/** Which letters a change is for: one, by its typed index, or every such letter. */
export type LetterTarget = { readonly index: number } | { readonly every: string };

/** Fields to change in a letter's look; `undefined` lets it follow the line again. */
export type LookChange = { readonly [K in keyof OwnLook]?: OwnLook[K] | undefined };

const merged = (look: OwnLook, change: LookChange): OwnLook => {
  const entries = Object.entries({ ...look, ...change }).filter(([, value]) => value !== undefined);
  return Object.fromEntries(entries) as OwnLook;
};

/** The lettering with one letter's look changed, or that of every such letter. */
export function withLook(part: Lettering, target: LetterTarget, change: LookChange): Lettering {
  const letters = lettersOf(part.text);
  const at: LetterLook['at'] | undefined =
    'every' in target
      ? target
      : letters[target.index] === undefined
        ? undefined
        : { index: target.index, letter: letters[target.index] as string };
  if (!at) return part;
  const same = (look: LetterLook) =>
    'every' in at
      ? 'every' in look.at && look.at.every === at.every
      : 'index' in look.at && look.at.index === at.index && look.at.letter === at.letter;
  const before = part.letters.find(same);
  const { at: _at, ...own } = before ?? { at };
  const look = merged(own, change);
  const others = part.letters.filter((each) => each !== before);
  return { ...part, letters: Object.keys(look).length === 0 ? others : [...others, { at, ...look }] };
}

/** A recipe with a look given to every such letter in all of its letterings. */
export const withEveryLook = (recipe: Recipe, letter: string, change: LookChange): Recipe =>
  recipe.parts.reduce(
    (sum, part) =>
      part.kind === 'lettering' && lettersOf(part.text).includes(letter)
        ? changePart(sum, part.id, withLook(part, { every: letter }, change))
        : sum,
    recipe,
  );

/** The lettering with the gap after a typed letter adjusted by hand; 0 takes the adjustment away. */
export function withGap(part: Lettering, index: number, permille: number): Lettering {
  const letters = lettersOf(part.text);
  const [left, right] = [letters[index], letters[index + 1]];
  if (left === undefined || right === undefined) return part;
  const others = part.gaps.filter((gap) => gap.index !== index || gap.left !== left || gap.right !== right);
  return { ...part, gaps: permille === 0 ? others : [...others, { index, left, right, permille }] };
}

const free = (taken: readonly { readonly id: string }[], stem: string): string => {
  for (let n = 1; ; n++) if (!taken.some(({ id }) => id === `${stem}-${n}`)) return `${stem}-${n}`;
};

/** How a cut of each form starts, so that it shows at once. */
const FIRST_CUTS: Readonly<Record<Cut['form'], Partial<Cut>>> = {
  bar: { gapPermille: 50 },
  arc: { gapPermille: 40, bendDeg: 70 },
  wedge: { gapPermille: 240, angleDeg: -90 },
  slice: { gapPermille: 30, shiftPermille: 0, angleDeg: -12 },
  free: {
    points: [
      { x: 0, y: 40 },
      { x: 100, y: 30 },
      { x: 100, y: 45 },
      { x: 0, y: 55 },
    ],
  },
};

/** The lettering with a new cut through one letter, or through the whole line. */
export function withNewCut(part: Lettering, form: Cut['form'], index: number | undefined): Lettering {
  const letter = index === undefined ? undefined : lettersOf(part.text)[index];
  const at = index === undefined || letter === undefined ? null : { index, letter };
  const cut: Cut = {
    id: free(part.cuts, 'cut'),
    at,
    form,
    acrossPercent: 50,
    downPercent: 50,
    angleDeg: 0,
    gapPermille: 40,
    lengthPercent: at ? 160 : 220,
    shiftPermille: 0,
    bendDeg: 60,
    points: [],
    ...FIRST_CUTS[form],
  };
  return { ...part, cuts: [...part.cuts, cut] };
}

/** The lettering with a new ring or line around one letter. */
export function withNewBelt(part: Lettering, form: Belt['form'], index: number): Lettering {
  const letter = lettersOf(part.text)[index];
  if (letter === undefined) return part;
  const size =
    form === 'ring' ? { widthPercent: 150, heightPercent: 60, angleDeg: -12 } : { widthPercent: 180, heightPercent: 60, angleDeg: 0 };
  const belt: Belt = {
    id: free(part.belts, 'belt'),
    at: { index, letter },
    form,
    acrossPercent: 50,
    downPercent: 50,
    ...size,
    bandPermille: 28,
    stopPermille: 30,
  };
  return { ...part, belts: [...part.belts, belt] };
}
