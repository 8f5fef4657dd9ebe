import { dressingOnGoods, type OwnGoods, type Palette, type SceneFacts, type ShownOnGoods } from '$core/index';

interface GoodsBrand {
  readonly slug: string;
  readonly palette: Palette;
  readonly paletteNumber: number;
}

/**
 * Where the picture of a mark on goods is had; another address for every state of the mark and the palette.
 * @param chosen what was chosen for this mark on these goods
 * @param own goods on a photo of one's own
 */
export function goodsAddress(
  brand: GoodsBrand,
  mark: { readonly slug: string; readonly revision: number },
  scene: SceneFacts,
  { dressing = dressingOnGoods(brand.palette, scene), ...chosen }: ShownOnGoods,
  own: OwnGoods | undefined,
  widthPx: number,
): string {
  const query = new URLSearchParams({ dressing, width: String(widthPx), v: `${mark.revision}-${brand.paletteNumber}` });
  for (const [key, value] of Object.entries(chosen)) query.set(key, String(value));
  if (own) query.set('own', JSON.stringify(own));
  return `/api/brands/${brand.slug}/marks/${mark.slug}/goods/${scene.name}?${query.toString()}`;
}
