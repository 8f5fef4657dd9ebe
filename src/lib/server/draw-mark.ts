import { fontsNeeded, type MarkView, type ResolvedMark, type ShippedFamily } from '$core/index';
import { fonts } from './fonts';

/** Resolves a mark on the server, with every font it needs; a font that cannot be had leaves a notice, not an error. */
export async function drawMark(view: MarkView, ownFamilies: readonly ShippedFamily[] = []): Promise<ResolvedMark> {
  const { loader, resolver } = await fonts(ownFamilies);
  await loader.load(fontsNeeded(view.recipe, view.sources));
  return resolver.resolve(view);
}
