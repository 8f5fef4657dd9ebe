import {
  changePart,
  createResolver,
  EMPTY_RECIPE,
  familyContext,
  openFor,
  laidOut,
  type FamilyLayoutName,
  type Linked,
  type Palette,
  type Recipe,
} from '$core/index';
import { fonts, pathAlgebra } from '../fonts';

/** A demo mark that is laid out from the brand's primary, its parts following the primary's. */
export interface DemoDerived {
  readonly layout: FamilyLayoutName;
  /** What one part has of its own. */
  readonly own?: { readonly part: string; readonly change: Partial<Pick<Linked, 'own' | 'paint' | 'sizePx'>> };
}

/** Lays a mark out as the Family room does. */
export async function derivedRecipe(
  { layout, own }: DemoDerived,
  primary: { readonly id: string; readonly recipe: Recipe },
  palette: Palette,
): Promise<Recipe> {
  const [{ loader }, paths] = [await fonts(), await pathAlgebra()];
  const sources = new Map([[primary.id, primary.recipe]]);
  await openFor(primary.recipe, sources, loader);
  const resolver = createResolver(loader.shelf, paths);
  const laid = laidOut(layout, familyContext({ ...primary, sources, palette, resolver, fonts: loader.shelf, paths }));
  const recipe = laid?.recipe ?? EMPTY_RECIPE;
  const part = own && recipe.parts.find(({ id }) => id === own.part);
  if (!own || part?.kind !== 'linked') return recipe;
  return changePart(recipe, own.part, { ...own.change, own: { ...part.own, ...own.change.own } });
}
