import {
  changePart,
  dress,
  IDENTITY,
  inkOf,
  isKnown,
  newsOf,
  openFor,
  screenPicture,
  type Dressing,
  type GroupPieces,
  type PictureNews,
  type ScreenPicture,
  type Treatment,
} from '$core/index';
import type { BrandNews, DrawingTable } from './table';

/** What is seen of marks: on the stage, beside it, and tried. */
export function drawnPictures(table: DrawingTable) {
  /** What was told last under each prefix: the page keeps what has not changed. */
  const told = new Map<string, Map<string, GroupPieces>>();
  return {
    /**
     * One mark in one dressing, as what is new since the last picture with this prefix; for the stage with what is only to look at, and after
     * taking in news.
     * @param quick whether a quick picture is enough where the whole one takes long
     */
    async picture(markId: string, dressing: Dressing, idPrefix: string, stage?: BrandNews, quick = false): Promise<PictureNews> {
      if (stage) table.tell(stage);
      const { loader, resolver, dresser } = table.ready();
      const recipe = table.recipeOf(markId);
      const sources = table.recipes;
      const palette = table.palette;
      await openFor(recipe, sources, loader);
      const resolved = resolver.resolve({ recipe, sources, dress: dress(palette, 'full'), references: stage !== undefined, quick });
      // What is worked on is every part in its own colors, whatever lies over it.
      const shown = stage ? resolved : dresser(resolved, recipe, palette, dressing);
      const picture = screenPicture(shown, idPrefix, table.pictureBase, table.lent);
      const before = told.get(idPrefix) ?? new Map<string, GroupPieces>();
      told.set(idPrefix, before);
      return newsOf(picture, before);
    },

    /** A part as it would look with other treatments, on its own; nothing where it is not drawn. @param name tells several apart on one page */
    async tried(markId: string, partId: string, treatments: readonly Treatment[], name: string): Promise<ScreenPicture | undefined> {
      const { loader, resolver } = table.ready();
      const recipe = table.recipeOf(markId);
      const part = recipe.parts.find(({ id }) => id === partId);
      if (!part || !isKnown(part)) return undefined;
      await openFor(recipe, table.recipes, loader);
      const tried = changePart(recipe, partId, { treatments: [...treatments] });
      // Tried at the size of a stamp: a quick picture is enough.
      const mark = resolver.resolve({ recipe: tried, sources: table.recipes, dress: dress(table.palette, 'full'), quick: true });
      let top = partId;
      for (let up = mark.parts.find(({ id }) => id === top)?.within; up; up = mark.parts.find(({ id }) => id === top)?.within) top = up;
      const groups = mark.drawing.groups.filter(({ id }) => id === top);
      const ink = inkOf(groups, IDENTITY);
      return ink && screenPicture({ ...mark, drawing: { groups }, ink, parts: [] }, `tried-${name}-`, table.pictureBase);
    },
  };
}
