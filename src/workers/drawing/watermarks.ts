import {
  dress,
  groupPieces,
  leastOpacity,
  openFor,
  ownDressing,
  swatchColor,
  watermarkDrawing,
  watermarkSources,
  type ColorKey,
  type GroupPieces,
  type LaidWatermark,
  type Palette,
  type PhotoSize,
  type PhotoTones,
  type Watermark,
  type WatermarkSource,
} from '$core/index';
import type { DrawingTable } from './table';

/** A photo and what is to be laid over it. */
export interface WatermarkOrder {
  readonly photo: PhotoSize;
  readonly tones: PhotoTones;
  readonly watermark: Watermark;
}
/** A watermark as the page shows it over its photo, in the photo's pixels. */
export interface WatermarkPicture extends Pick<LaidWatermark, 'stamps' | 'protection'> {
  readonly groups: readonly GroupPieces[];
}

/** Watermarks over photos. */
export function drawnWatermarks(table: DrawingTable) {
  let laid:
    | { readonly key: string; readonly changes: number; readonly palette: Palette; readonly sources: ReadonlyMap<string, WatermarkSource> }
    | undefined;

  /** The watermark of a photo, as pieces for the page. @param prefix stands before its ids @param measured whether what it protects is measured: not while it is dragged */
  async function watermark({ photo, tones, watermark }: WatermarkOrder, prefix: string, measured = true): Promise<WatermarkPicture> {
    const { loader, resolver, dresser } = table.ready();
    const [recipes, palette] = [table.recipes, table.palette];
    const key = JSON.stringify([
      watermark.stamps.map((stamp) => [stamp.mark, ...ownDressing(stamp)]),
      watermark.veil?.text,
      watermark.veil?.mark,
    ]);
    // Marks are drawn once; a drag only lays them elsewhere.
    if (laid?.key !== key || laid.palette !== palette || laid.changes !== table.changes)
      laid = {
        ...{ key, palette, changes: table.changes },
        sources: await watermarkSources(watermark, recipes, async (recipe, dressing) => {
          await openFor(recipe, recipes, loader);
          return dresser(resolver.resolve({ recipe, sources: recipes, dress: dress(palette, 'full') }), recipe, palette, dressing);
        }),
      };
    const { drawing, stamps, protection } = lay({ photo, tones, watermark }, laid.sources, measured);
    return {
      groups: drawing.groups.map((group) => groupPieces(group, prefix, (sha256) => `${table.pictureBase}${sha256}`)),
      stamps,
      protection,
    };
  }

  function lay({ photo, tones, watermark }: WatermarkOrder, sources: ReadonlyMap<string, WatermarkSource>, measured = true): LaidWatermark {
    const palette = table.palette;
    return watermarkDrawing(watermark, sources, {
      ...{ photo, tones, measured },
      colors: { light: palette.paper, dark: palette.ink, swatch: (swatch) => swatchColor(palette, swatch as ColorKey) },
      paths: table.ready().paths,
    });
  }

  /** The lowest opacity of a photo's veil that keeps a share of it protected. */
  async function leastVeil(
    order: WatermarkOrder,
    share: number,
  ): Promise<{ readonly opacityPercent: number; readonly share: number } | undefined> {
    await watermark(order, '', false);
    const sources = laid?.sources;
    const { veil } = order.watermark;
    if (!veil || !sources) return undefined;
    return leastOpacity(
      share,
      { low: 1, high: 60 },
      (opacityPercent) => lay({ ...order, watermark: { ...order.watermark, veil: { ...veil, opacityPercent } } }, sources).protection,
    );
  }

  return { watermark, leastVeil };
}
