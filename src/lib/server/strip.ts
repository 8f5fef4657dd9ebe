import { dress, screenPicture, type Dressing, type ShippedFamily, picturesAddress } from '$core/index';
import { drawMark } from './draw-mark';
import type { BrandView } from './stores/brands';
import type { MarkView } from './stores/marks';

/** Which pictures stand in a brand's strip, in order: the mark by its place in the family, and how it is dressed. */
const CELLS: readonly { readonly mark: number; readonly dressing: Dressing }[] = [
  { mark: 0, dressing: 'full' },
  { mark: 1, dressing: 'full' },
  { mark: 0, dressing: 'on-lead' },
  { mark: 0, dressing: 'reversed' },
  { mark: 1, dressing: 'reversed' },
];

/** A brand's family drawn for the studio, by the same resolver and writer as every file. */
export async function brandStrip(brand: BrandView, marks: readonly MarkView[], ownFamilies: readonly ShippedFamily[]) {
  const sources = new Map(marks.map((mark) => [mark.id, mark.recipe]));
  const cells = CELLS.map(async ({ mark: index, dressing }, cell) => {
    const mark = marks[Math.min(index, marks.length - 1)];
    if (!mark || (marks.length === 1 && index === 1 && cell > 1)) return [];
    const dressed = dress(brand.palette, marks.length === 1 && cell === 1 ? 'one-color' : dressing);
    const picture = screenPicture(
      await drawMark({ recipe: mark.recipe, sources, dress: dressed }, ownFamilies),
      `${brand.slug}-${cell}-`,
      picturesAddress(brand.slug),
    );
    return [
      {
        label: `${mark.name.toLowerCase()}, ${dressed.label}`,
        ground: dressed.ground,
        address: `/brands/${brand.slug}/marks/${mark.slug}`,
        picture,
      },
    ];
  });
  return (await Promise.all(cells)).flat();
}
