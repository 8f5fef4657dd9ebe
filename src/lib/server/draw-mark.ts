import { dress, openFor, type DressedMark, type Dressing, type Palette, type Recipe, type ShippedFamily, type Sources } from '$core/index';
import { fonts } from './fonts';

/** A mark to be drawn, and in which colorway. */
export interface DrawOrder {
  readonly recipe: Recipe;
  readonly sources: Sources;
  readonly palette: Palette;
  readonly dressing: Dressing;
}

/** Resolves and dresses a mark on the server, with every font it needs; a font that cannot be had leaves a notice, not an error. */
export async function drawMark(
  { recipe, sources, palette, dressing }: DrawOrder,
  ownFamilies: readonly ShippedFamily[] = [],
): Promise<DressedMark> {
  const { loader, resolver, dresser } = await fonts(ownFamilies);
  await openFor(recipe, sources, loader);
  return dresser(resolver.resolve({ recipe, sources, dress: dress(palette, 'full') }), recipe, palette, dressing);
}
