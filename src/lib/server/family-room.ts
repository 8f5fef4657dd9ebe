import type { EntityManager } from '@mikro-orm/postgresql';
import { writeRecipe } from '$core/index';
import { shippedFamilies } from './fonts';
import { findBrand } from './stores/brands';
import { listMarks } from './stores/marks';
import { ownFonts } from './stores/own-fonts';

/**
 * What every room needs that shows a brand's marks: the brand, its marks as they are sent, and the faces they are set in.
 * @param pieces whether those that stand on a canvas are wanted too: they are no marks of the family
 */
export async function familyRoom(em: EntityManager, slug: string, { pieces = false } = {}) {
  const brand = await findBrand(em, slug);
  const marks = await listMarks(em.fork(), brand.id);
  return {
    brand,
    marks: marks.filter(({ role }) => pieces || role !== 'piece').map((mark) => ({ ...mark, recipe: writeRecipe(mark.recipe) })),
    families: [...shippedFamilies(), ...(await ownFonts(em.fork(), brand)).families],
  };
}
