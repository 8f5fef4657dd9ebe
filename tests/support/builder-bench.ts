import {
  builtParts,
  dress,
  EMPTY_RECIPE,
  STARTING_PALETTE,
  type BuildContext,
  type BuilderName,
  type GroupPart,
  type Heard,
  type Recipe,
  type ResolvedMark,
} from '$core/index';
import { shelfOf } from './fonts';
import { paths, resolverOf } from './resolver';

type Follows = NonNullable<GroupPart['built']>['follows'];

/** A name as builders hear it. */
export const heard = (text: string, family: string = 'playfair-display', second?: string): Heard => ({
  text,
  font: { family, style: 'normal', axes: {} },
  ...(second === undefined ? {} : { second }),
});

/** What builders are tried with: faces at hand, recipes of one built group, and how they are drawn. */
export async function builderBench(...families: readonly string[]) {
  const shelf = await shelfOf(...families);
  const { resolve } = resolverOf(shelf);
  const kept = new Map<string, unknown>();
  const remember: BuildContext['remember'] = (key, make) => {
    if (!kept.has(key)) kept.set(key, make());
    return kept.get(key) as ReturnType<typeof make>;
  };
  const tools = { fonts: shelf, paths, remember };
  return {
    resolve,
    tools,
    context: (hears: Heard): BuildContext => ({ ...tools, heard: hears }),
    /** A recipe with one built group, its parts under ids of their own. */
    built(builder: BuilderName, numbers: object, hears: Heard, follows: Follows = null): Recipe {
      const parts = builtParts(
        EMPTY_RECIPE,
        'group',
        { builder, numbers: { ...numbers }, follows, heard: hears },
        { ...tools, heard: hears },
      );
      if (!parts) throw new Error(`${builder} made nothing`);
      return { ...EMPTY_RECIPE, parts };
    },
    drawn: (recipe: Recipe, sources: ReadonlyMap<string, Recipe> = new Map()): ResolvedMark =>
      resolve({ recipe, sources, dress: dress(STARTING_PALETTE, 'full') }),
  };
}
