import { MOST_LOOKS, MOST_TREATMENTS, type KeptLook, type Palette } from '../../color/palette';
import type { Recipe } from '../recipe/recipe';
import { isKnown, type KnownPart, type Part } from '../registry';
import { freeTreatmentId, lengthsTimes, type Treatments } from './edit';
import { treatmentsSchema, type KnownTreatment, type Treatment } from './registry';

/** A look that a brand keeps, as its treatments are understood here. */
export interface BrandLook {
  readonly id: string;
  readonly name: string;
  readonly madeForPx: number;
  readonly treatments: Treatments;
}
type Wearer = Extract<KnownTreatment, { kind: 'brand-look' }>;
const isWearer = (treatment: Treatment): treatment is Wearer => treatment.kind === 'brand-look';

const read = new WeakMap<KeptLook, BrandLook>();
/** A look as it is kept, read once. A look wears no look; what is not understood is kept, and does nothing. */
function understood(kept: KeptLook): BrandLook {
  const known = read.get(kept);
  if (known) return known;
  const treatments = kept.treatments.flatMap((each): Treatments => {
    const one = treatmentsSchema.safeParse([each]);
    return one.success ? one.data.filter((treatment) => !isWearer(treatment)) : [];
  });
  const look = { id: kept.id, name: kept.name, madeForPx: kept.madeForPx, treatments };
  read.set(kept, look);
  return look;
}

/** The looks that a brand keeps, in its own order. */
export const looksOf = (palette: Pick<Palette, 'looks'>): readonly BrandLook[] => (palette.looks ?? []).map(understood);

/** Treatments with every look that is worn replaced by what it stands for; the same list where none is worn. */
function unfolded(list: Treatments, looks: readonly BrandLook[]): Treatments {
  if (!list.some(isWearer)) return list;
  return list
    .flatMap((treatment): Treatments => {
      const look = isWearer(treatment) ? looks.find(({ id }) => id === treatment.look) : undefined;
      if (!isWearer(treatment) || !look) return [treatment];
      if (treatment.hidden) return [];
      return look.treatments.map((each) => ({ ...lengthsTimes(each, treatment.sizePercent / 100), id: `${treatment.id}-${each.id}` }));
    })
    .slice(0, 3 * MOST_TREATMENTS);
}

type Treated = { readonly treatments?: readonly Treatment[] | undefined };
const unfoldedIn = <T extends Treated>(owner: T, looks: readonly BrandLook[]): T => {
  const { treatments = [] } = owner;
  const now = unfolded(treatments, looks);
  return now === treatments || owner.treatments === undefined ? owner : { ...owner, treatments: [...now] };
};

/** Parts as they are drawn, so that a part that has not changed is known again. */
const worn = new WeakMap<Part, { readonly looks: Palette['looks']; readonly part: Part }>();
function partWearing(part: Part, palette: Pick<Palette, 'looks'>): Part {
  if (!isKnown(part)) return part;
  const known = worn.get(part);
  if (known && known.looks === palette.looks) return known.part;
  const now = unfoldedPart(part, looksOf(palette));
  if (now !== part) worn.set(part, { looks: palette.looks, part: now });
  return now;
}
function unfoldedPart(part: KnownPart, looks: readonly BrandLook[]): Part {
  const own = unfoldedIn(part, looks);
  if (own.kind !== 'lettering' || !own.letters.some(({ treatments = [] }) => treatments.some(isWearer))) return own;
  return { ...own, letters: own.letters.map((letter) => unfoldedIn(letter, looks)) } as Part;
}

/** A recipe as it is drawn: every look that is worn stands there as its own treatments. The same recipe where none is worn. */
export function wearing(recipe: Recipe, palette: Pick<Palette, 'looks'>): Recipe {
  const looks = looksOf(palette);
  const parts = recipe.parts.map((part) => partWearing(part, palette));
  const whole = recipe.whole && unfoldedIn(recipe.whole, looks);
  if (whole === recipe.whole && parts.every((part, at) => part === recipe.parts[at])) return recipe;
  return { ...recipe, parts, ...(whole ? { whole } : {}) };
}

/** How often a recipe wears a look: on parts, on letters, on the whole mark. */
export const wornBy = ({ parts, whole }: Recipe, look: string): number => {
  const count = ({ treatments = [] }: Treated) => treatments.filter((each) => isWearer(each) && each.look === look).length;
  return parts.filter(isKnown).reduce(
    (sum, part) => {
      const letters = part.kind === 'lettering' ? part.letters.reduce((inner, letter) => inner + count(letter), 0) : 0;
      return sum + count(part) + letters;
    },
    count(whole ?? {}),
  );
};

/**
 * A look made of a part's treatments. Looks that the part wears become their own treatments in it.
 * @param heightPx how high the part stands, in its own pixels: the look's lengths are made for that
 */
export const lookFrom = (
  { id, name }: { readonly id: string; readonly name: string },
  treatments: Treatments,
  heightPx: number,
  palette: Pick<Palette, 'looks'>,
): BrandLook => ({
  ...{ id, name, madeForPx: Math.min(100_000, Math.max(0.01, Number(heightPx.toPrecision(4)))) },
  treatments: unfolded(treatments, looksOf(palette))
    .filter((each) => !isWearer(each))
    .slice(0, MOST_TREATMENTS)
    .reduce<Treatments>((list, each) => [...list, { ...each, id: freeTreatmentId(list) }], []),
});

/** A palette with a look, in the place of the one that is called so; the same palette where there is room for no more, or the look is empty. */
export function keepingLook(palette: Palette, look: BrandLook): Palette {
  const { looks = [] } = palette;
  const kept: KeptLook = {
    ...look,
    treatments: look.treatments.map((each) => (each.kind === 'newer' ? { ...each.original, id: each.id } : each)) as KeptLook['treatments'],
  };
  if (kept.treatments.length === 0) return palette;
  if (looks.some(({ id }) => id === look.id)) return { ...palette, looks: looks.map((each) => (each.id === look.id ? kept : each)) };
  return looks.length >= MOST_LOOKS ? palette : { ...palette, looks: [...looks, kept] };
}

/** A palette without a look. */
export function droppingLook(palette: Palette, id: string): Palette {
  const { looks = [], ...rest } = palette;
  const left = looks.filter((each) => each.id !== id);
  return left.length > 0 ? { ...rest, looks: left } : rest;
}
