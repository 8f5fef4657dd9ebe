import { writeRecipe } from '$core/index';
import { shippedFamilies } from '$lib/server/fonts';
import { load as withWork } from '$lib/server/http/load';
import { notFound } from '$lib/server/http/problem-error';
import { findBrand } from '$lib/server/stores/brands';
import { findDocument } from '$lib/server/stores/documents';
import { undoSteps } from '$lib/server/stores/chain';
import { listMarks, markChain } from '$lib/server/stores/marks';
import { listTries } from '$lib/server/stores/tries';
import { ownFonts } from '$lib/server/stores/own-fonts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params }) =>
  withWork(async (em) => {
    const brand = await findBrand(em, params.brand);
    const marks = await listMarks(em.fork(), brand.id);
    const mark = marks.find(({ slug }) => slug === params.mark);
    if (!mark) throw notFound('mark of this brand');
    const { past, future } = await undoSteps(em.fork(), await markChain(em.fork(), brand.id, mark.slug));
    const steps = (from: typeof past) => from.map((step) => ({ ...step, content: writeRecipe(step.content) }));
    const written = <T extends { recipe: Parameters<typeof writeRecipe>[0] }>(rows: readonly T[]) =>
      rows.map((row) => ({ ...row, recipe: writeRecipe(row.recipe) }));
    return {
      brand,
      markId: mark.id,
      marks: written(marks),
      past: steps(past),
      future: steps(future),
      families: [...shippedFamilies(), ...(await ownFonts(em.fork(), brand)).families],
      brief: (await findDocument(em.fork(), brand.id, 'brief')).content,
      tries: written(await listTries(em.fork(), brand.id, mark.slug)),
      secondFamily: (await findDocument(em.fork(), brand.id, 'type')).content.roles.second[0],
    };
  });
