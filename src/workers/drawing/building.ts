import {
  builtParts,
  dress,
  EMPTY_RECIPE,
  familyContext,
  fontsOfBuilt,
  heardNow,
  layoutsOf,
  madeBy,
  openFor,
  rebuilt,
  rememberedPieces,
  screenPicture,
  startsOf,
  type Bounds,
  type BuildContext,
  type BuilderName,
  type BuilderStart,
  type Built,
  type FamilyLayout,
  type FontChoice,
  type Heard,
  type KnownPart,
  type Problem,
  type Recipe,
  type ScreenPicture,
} from '$core/index';
import type { DrawingTable } from './table';

/** A built group that has no members yet. */
export type NewBuilt = Omit<Built, 'slots'>;

/** Costly pieces of what is built (outlines of letters, ways to interlock) remembered. */
const PIECES_KEPT = 3000;

/** What builders make, and the marks that could follow one. */
export function drawnBuilding(table: DrawingTable) {
  const { remember } = rememberedPieces(PIECES_KEPT);

  async function building(built: Pick<NewBuilt, 'builder' | 'numbers' | 'heard'>, families: readonly string[] = []): Promise<BuildContext> {
    const { loader, paths } = table.ready();
    await loader.load([...fontsOfBuilt(built), ...families.map((family): FontChoice => ({ family, style: 'normal', axes: {} }))]);
    return { fonts: loader.shelf, paths, heard: built.heard, remember };
  }

  return {
    /** The compositions that a builder offers for what is heard. */
    async starts(builder: BuilderName, heard: Heard, families: readonly string[]): Promise<readonly BuilderStart[]> {
      return startsOf(builder, await building({ builder, numbers: {}, heard }, families), table.palette);
    },
    /** What a builder would make of numbers, on its own, in the brand's colors. @param name tells several apart on one page */
    async buildTried(built: NewBuilt, name: string): Promise<ScreenPicture | undefined> {
      const parts = builtParts(EMPTY_RECIPE, 'built', built, await building(built));
      if (!parts) return undefined;
      const recipe = { ...EMPTY_RECIPE, parts };
      const { loader, resolver } = table.ready();
      await openFor(recipe, new Map(), loader);
      const mark = resolver.resolve({ recipe, sources: new Map(), dress: dress(table.palette, 'full') });
      return mark.ink && screenPicture({ ...mark, parts: [] }, `built-${name}-`, table.pictureBase);
    },
    /** The parts of a new built group under free ids, the group last, clear below what is there; in the middle where nothing is. */
    async buildNew(recipe: Recipe, id: string, built: NewBuilt, ink?: Bounds): Promise<readonly KnownPart[] | undefined> {
      const context = await building(built);
      const middle = builtParts(recipe, id, built, context);
      if (!middle || !ink) return middle;
      const own = table.ready().resolver.resolve({
        recipe: { ...EMPTY_RECIPE, parts: middle },
        sources: new Map(),
        dress: dress(table.palette, 'full'),
      }).ink;
      if (!own) return middle;
      const air = (own.bottom - own.top) * 0.15;
      const x = Math.round((ink.left + ink.right) / 2 - (own.left + own.right) / 2);
      return builtParts(recipe, id, built, context, { place: { x, y: Math.round(ink.bottom + air - own.top), turnDeg: 0 } });
    },
    /** A recipe with a built group built anew by other numbers; what it follows is heard anew. */
    async buildAnew(recipe: Recipe, id: string, numbers: Readonly<Record<string, unknown>>): Promise<Recipe | undefined> {
      const group = recipe.parts.find((part) => part.id === id);
      if (group?.kind !== 'group' || !group.built) return undefined;
      const heard = heardNow(group.built, recipe, table.recipes);
      const context = await building({ builder: group.built.builder, numbers, heard }, [group.built.heard.font.family]);
      await building(group.built);
      return rebuilt(recipe, id, { numbers, heard }, context);
    },
    /** What a builder has to say about what it made: what had to be changed, and why. */
    async buildNotices(built: NewBuilt): Promise<readonly Problem[]> {
      return madeBy(built, await building(built))?.notices ?? [];
    },

    /** The marks that could be derived from one, as live recipes. */
    async layouts(primaryId: string): Promise<readonly FamilyLayout[]> {
      const { loader, resolver, paths } = table.ready();
      const recipe = table.recipeOf(primaryId);
      const sources = table.recipes;
      await openFor(recipe, sources, loader);
      return layoutsOf(
        familyContext({
          id: primaryId,
          recipe,
          sources,
          palette: table.palette,
          resolver,
          fonts: loader.shelf,
          paths,
          remember,
        }),
      );
    },
  };
}
