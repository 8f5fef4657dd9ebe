import { builtParts, EMPTY_RECIPE, fontsOfBuilt, heardFrom, type BuilderName, type Built, type Recipe } from '$core/index';
import { fonts, pathAlgebra } from '../fonts';

/** A demo mark that a builder makes from the brand's own name. */
export interface DemoBuilt {
  readonly builder: BuilderName;
  readonly numbers: Readonly<Record<string, unknown>>;
}

/** Builds a mark that follows the name of another one. */
export async function builtRecipe(
  { builder, numbers }: DemoBuilt,
  primary: { readonly id: string; readonly recipe: Recipe },
): Promise<Recipe> {
  const name = primary.recipe.parts.find((part) => part.kind === 'lettering' && part.id === 'name');
  if (name?.kind !== 'lettering') return EMPTY_RECIPE;
  const built: Omit<Built, 'slots'> = {
    ...{ builder, numbers: { ...numbers }, follows: { mark: primary.id, part: name.id } },
    heard: heardFrom(name, primary.recipe),
  };
  const [{ loader }, paths] = [await fonts(), await pathAlgebra()];
  await loader.load(fontsOfBuilt(built));
  const context = { fonts: loader.shelf, paths, heard: built.heard, remember: <T>(_: string, make: () => T) => make() };
  return { ...EMPTY_RECIPE, parts: builtParts(EMPTY_RECIPE, 'built', built, context) ?? [] };
}
