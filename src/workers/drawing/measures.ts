import {
  ART_SIDE,
  boundsOf,
  compose,
  dealt,
  derive,
  dress,
  inkGapShifts,
  leastVeil,
  mapPath,
  markChecks,
  measuredMark,
  onGround,
  openFor,
  partsAlone,
  pathData,
  picturesIn,
  pieceChecks,
  regionsOfPart,
  restsOfPart,
  scaling,
  silhouetteOf,
  smallestCapPx,
  smallestSafePx,
  survivalAt,
  thicknessOfArea,
  translation,
  walkNodes,
  weakPlaces,
  weightOf,
  weightsOf,
  type DrawingNode,
  type DressedMark,
  type Ground,
  type LeastVeil,
  type MakingLimits,
  type MarkChecks,
  type MeasuredMark,
  type PartWeight,
  type PieceCheck,
  type Recipe,
  type Region,
  type ResolvedMark,
  type Rest,
  type Shift,
  type Silhouette,
  type Survival,
  type WeakAt,
  type WeakPlace,
} from '$core/index';
import { SmallPictures } from '../picture-pixels';
import type { DrawingTable } from './table';

/** How much each color of a mark covers, in its own square units, by what is painted: what lies behind counts as well. */
function areasByColor({ drawing }: ResolvedMark): ReadonlyMap<string, number> {
  const areas = new Map<string, number>();
  walkNodes<DrawingNode>(drawing.groups, (node, { map }) => {
    if (node.kind !== 'fill') return;
    const area = weightOf([{ path: mapPath(node.path, map), rule: node.rule }], 0.5)?.area ?? 0;
    areas.set(node.color, (areas.get(node.color) ?? 0) + area);
  });
  return areas;
}

/** What is left of a mark at sizes, and the smallest that is safe; all in px of its longer side. */
export interface SmallSizes {
  readonly safePx: number;
  /** Whether it fills a round place to its edge. */
  readonly isRound: boolean;
  /** The smallest words' capitals at each size with it. */
  readonly at: readonly { readonly longerPx: number; readonly survival: Survival; readonly capPx?: number }[];
}

/** What is measured of marks, as they are and at sizes, and how they are dressed by it. */
export function measuredMarks(table: DrawingTable) {
  const small = new SmallPictures();
  async function pieceOf(
    markId: string,
    changed = (recipe: Recipe): Recipe => recipe,
  ): Promise<{ readonly recipe: Recipe; readonly mark: ResolvedMark }> {
    const { loader, resolver } = table.ready();
    const recipe = changed(table.recipeOf(markId));
    await openFor(recipe, table.recipes, loader);
    const mark = resolver.resolve({ recipe, sources: table.recipes, dress: dress(table.palette, 'full') });
    await small.fetch(table.pictureBase, picturesIn(mark.drawing));
    return { recipe, mark };
  }

  /** What was measured of an outline, as long as the outline itself is kept. */
  const silhouettes = new WeakMap<Region, Silhouette>();
  /** A mark as it is seen in one color, measured for all sizes. */
  async function silhouetteOfMark(markId: string): Promise<{ readonly mark: DressedMark; readonly silhouette: Silhouette } | undefined> {
    const { dresser, paths } = table.ready();
    const mark = dresser(await table.resolved(markId), table.recipeOf(markId), table.palette, 'one-color');
    const outline = mark.oneColor?.areas[0];
    const box = outline && boundsOf(outline.path);
    if (!outline || !box) return undefined;
    const silhouette = silhouettes.get(outline) ?? silhouetteOf(outline, box, paths);
    silhouettes.set(outline, silhouette);
    return { mark, silhouette };
  }

  return {
    /** What a brand sheet says of a mark. */
    async measured(markId: string): Promise<MeasuredMark | undefined> {
      const { loader, resolver, dresser, paths } = table.ready();
      const recipe = table.recipeOf(markId);
      await openFor(recipe, table.recipes, loader);
      const mark = resolver.resolve({ recipe, sources: table.recipes, dress: dress(table.palette, 'full') });
      return measuredMark(mark, dresser(mark, recipe, table.palette, 'one-color'), paths);
    },
    /** What is measured of a piece; nothing of what stands on no canvas. */
    async pieceChecks(markId: string): Promise<readonly PieceCheck[]> {
      const { recipe, mark } = await pieceOf(markId);
      return pieceChecks(recipe, mark, small.of);
    },
    /** The least veil over the picture of a piece's ground at which its words are read. @param ground what it is to stand on */
    async groundVeil(markId: string, ground: Partial<Ground>): Promise<LeastVeil | undefined> {
      const { recipe, mark } = await pieceOf(markId, (before) => onGround(before, table.palette, { ...ground, veil: 0.5 }));
      return leastVeil(recipe, mark, small.of);
    },

    /** Where a mark gives way, thinnest first, in mark pixels. */
    async weakPlaces(markId: string, weakAt: WeakAt): Promise<readonly WeakPlace[]> {
      const seen = await silhouetteOfMark(markId);
      return seen ? weakPlaces(seen.silhouette, weakAt) : [];
    },

    /** What is left of a mark, as it is seen in one color, at sizes in px of its longer side, and the smallest that is safe. */
    async small(markId: string, sizesPx: readonly number[]): Promise<SmallSizes | undefined> {
      const seen = await silhouetteOfMark(markId);
      if (!seen) return undefined;
      const { mark, silhouette } = seen;
      const capPx = smallestCapPx(mark);
      return {
        safePx: smallestSafePx(silhouette, capPx),
        isRound: silhouette.isRound,
        at: sizesPx.map((longerPx) => ({
          ...{ longerPx, survival: survivalAt(silhouette, longerPx) },
          ...(capPx === undefined ? {} : { capPx: (capPx * longerPx) / silhouette.longer }),
        })),
      };
    },

    /** Everything that is measured of a mark for its proofs. */
    async checks(markId: string, limits: MakingLimits): Promise<MarkChecks | undefined> {
      const { dresser, paths } = table.ready();
      const mark = await table.resolved(markId);
      const palette = table.palette;
      const { recipe } = derive(table.recipeOf(markId), table.recipes);
      return markChecks({ recipe, mark, inOne: dresser(mark, table.recipeOf(markId), palette, 'one-color'), palette, limits, paths });
    },

    /** How much area each color of a mark covers, in square mark pixels, whatever lies over it. */
    async colorAreas(markId: string): Promise<ReadonlyMap<string, number>> {
      return areasByColor(await table.resolved(markId));
    },
    /** A mark, or some of its parts, dressed in the palette by the areas of its colors; the recipe as it is where every color stays. */
    async dressedInPalette(markId: string, ids: readonly string[] = []): Promise<{ readonly recipe: Recipe; readonly changed: boolean }> {
      const recipe = table.recipeOf(markId);
      await openFor(recipe, table.recipes, table.ready().loader);
      const alone = partsAlone(recipe, ids);
      const { resolver } = table.ready();
      const mark = resolver.resolve({ recipe: alone, sources: table.recipes, dress: dress(table.palette, 'full') });
      const next = dealt(recipe, areasByColor(mark), table.palette, ids);
      return { recipe: next, changed: next !== recipe };
    },

    /** How heavy the parts of a mark are, thinnest first. */
    async weights(markId: string): Promise<readonly PartWeight[]> {
      return weightsOf(await table.resolved(markId), table.ready().paths);
    },

    /** The ways in which a part rests on a level line. */
    async rests(markId: string, partId: string): Promise<readonly Rest[]> {
      return restsOfPart(await table.resolved(markId), partId);
    },
    /** How far parts go so that the white between their ink is equal. */
    async inkGaps(markId: string, ids: readonly string[], axis: 'x' | 'y'): Promise<readonly Shift[]> {
      return inkGapShifts(await table.resolved(markId), ids, axis);
    },
    /** How thick a part is all over its outline, in mark pixels. */
    async thickness(markId: string, partId: string) {
      const mark = await table.resolved(markId);
      const { paths } = table.ready();
      const area = paths.weld(regionsOfPart(mark, partId));
      const found = thicknessOfArea(area);
      return (
        found && {
          places: found.places.map(({ thickness, length }) => ({ thickness, length })),
          medianPx: found.median,
          thinnestPx: found.thinnest.thickness,
        }
      );
    },
    /** A part as one outline, on its own center, its longer side that of art; nothing where it has no ink. */
    async outline(markId: string, partId: string): Promise<{ readonly data: string; readonly rule: 'nonzero' | 'evenodd' } | undefined> {
      const { path, rule } = table.ready().paths.weld(regionsOfPart(await table.resolved(markId), partId));
      const box = boundsOf(path);
      const side = box && Math.max(box.right - box.left, box.bottom - box.top);
      if (!box || !side) return undefined;
      const middle = translation(-(box.left + box.right) / 2, -(box.top + box.bottom) / 2);
      return { data: pathData(mapPath(path, compose(scaling(ART_SIDE / side), middle))), rule };
    },
    /** How much ink parts have, in square mark pixels. */
    async inkAreas(markId: string, ids: readonly string[]): Promise<readonly number[]> {
      const mark = await table.resolved(markId);
      return ids.map((id) => weightOf(regionsOfPart(mark, id), 0.1)?.area ?? 0);
    },
  };
}
