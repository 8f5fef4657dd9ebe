import { writeRecipe } from '$core/index';
import { catalogue, shippedFamilies } from '$lib/server/fonts';
import { load as withWork } from '$lib/server/http/load';
import { findBrand } from '$lib/server/stores/brands';
import { findDocument } from '$lib/server/stores/documents';
import { listMarks } from '$lib/server/stores/marks';
import { ownFonts } from '$lib/server/stores/own-fonts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params }) =>
  withWork(async (em) => {
    const brand = await findBrand(em, params.brand);
    const marks = (await listMarks(em.fork(), brand.id))
      .filter(({ shelf }) => shelf !== 'removed')
      .map((mark) => ({ ...mark, recipe: writeRecipe(mark.recipe) }));
    const [brief, desk] = [await findDocument(em, brand.id, 'brief'), await findDocument(em, brand.id, 'type')];
    const own = await ownFonts(em.fork(), brand);
    return {
      brand,
      brief: brief.content,
      desk,
      marks,
      families: [...shippedFamilies(), ...own.families],
      catalogue: { ...catalogue(), ...own.catalogue },
    };
  });
