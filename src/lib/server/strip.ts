import { dress, marksFollowedBy, type Dressing, type Recipe, type ShippedFamily, type Sources } from '$core/index';
import { picturesAddress } from '$lib/addresses';
import { heavy } from './heavy/pool';
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

/** Of all marks of a brand, what this recipe needs: all of them when it follows any, because those may follow others. */
const followed = (recipe: Recipe, sources: Sources): Sources => (marksFollowedBy(recipe).length > 0 ? sources : new Map());

/** A brand's family drawn for the studio, by the same resolver and writer as every file. */
export async function brandStrip(brand: BrandView, marks: readonly MarkView[], ownFamilies: readonly ShippedFamily[]) {
  const sources = new Map(marks.map((mark) => [mark.id, mark.recipe]));
  const shown = marks.filter(({ shelf, role }) => shelf === 'kept' && role !== 'piece');
  const cells = CELLS.map(async ({ mark: index, dressing }, cell) => {
    const mark = shown[Math.min(index, shown.length - 1)];
    if (!mark || (shown.length === 1 && index === 1 && cell > 1)) return [];
    const way = shown.length === 1 && cell === 1 ? 'one-color' : dressing;
    const dressed = dress(brand.palette, way);
    const picture = await heavy('screen', {
      recipe: mark.recipe,
      sources: followed(mark.recipe, sources),
      palette: brand.palette,
      dressing: way,
      ownFamilies,
      prefix: `${brand.slug}-${cell}-`,
      pictures: picturesAddress(brand.slug),
    });
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
