import { fontsNeeded, type MarkView, type ResolvedMark } from '$core/index';
import { fonts } from './fonts';

/** Resolves a mark on the server, with every font it needs. */
export async function drawMark(view: MarkView): Promise<ResolvedMark> {
  const { loader, resolver } = fonts();
  await loader.load(fontsNeeded(view.recipe, view.sources));
  return resolver.resolve(view);
}
