import type { Palette } from '../color/palette';
import type { PathAlgebra } from '../geometry';
import type { FontShelf } from '../type';
import type { BuildContext } from '../marks/building/builder';
import { builtParts } from '../marks/building/build';
import { heardFrom } from '../marks/building/brought';
import { paintsIn } from '../marks/building/registry';
import type { Resolver } from '../marks/drawing/resolve';
import { derive, type Sources } from '../marks/following/derive';
import { createPart, EMPTY_RECIPE, type Recipe } from '../marks/recipe/recipe';
import { dress } from '../color/dressings';
import type { FamilyContext } from './bench';
import { piecesOf } from './pieces';

/** A primary and what is needed to draw it; its fonts are on the shelf. */
export interface PrimaryView {
  readonly id: string;
  readonly recipe: Recipe;
  /** All marks of the brand, the primary among them. */
  readonly sources: Sources;
  readonly palette: Palette;
  readonly resolver: Resolver;
  readonly fonts: FontShelf;
  readonly paths: PathAlgebra;
  readonly remember?: BuildContext['remember'];
}

/** What layouts look at, of a primary as it is now. */
export function familyContext({
  id,
  recipe,
  sources,
  palette,
  resolver,
  fonts,
  paths,
  remember = (_, make) => make(),
}: PrimaryView): FamilyContext {
  const colors = dress(palette, 'full');
  const resolve = (of: Recipe) => resolver.resolve({ recipe: of, sources, dress: colors });
  const derived = derive(recipe, sources).recipe;
  const pieces = piecesOf(derived, resolve(recipe));
  return {
    primary: id,
    pieces,
    palette,
    measure: (parts) => {
      const trial = parts.flatMap((part) => {
        const made = createPart(part);
        return made.ok ? [made.value] : [];
      });
      return new Map(resolve({ ...EMPTY_RECIPE, parts: trial }).parts.map((part) => [part.id, part]));
    },
    build: (builder, numbers, group) => {
      const { name } = pieces;
      if (!name) return undefined;
      const heard = heardFrom(name.part, derived);
      const built = { builder, numbers: { ...paintsIn(palette, builder), ...numbers }, follows: { mark: id, part: name.id }, heard };
      return builtParts(EMPTY_RECIPE, group, built, { fonts, paths, heard, remember });
    },
  };
}
