import { dress, dressingsOf } from '$core/index';
import { goodsAtHand } from '$lib/server/goods/at-hand';
import { load as withWork } from '$lib/server/http/load';
import { findBrand } from '$lib/server/stores/brands';
import { findDocument } from '$lib/server/stores/documents';
import { listHandovers, plannedMarks } from '$lib/server/stores/handovers';
import { slugOf } from '$lib/server/stores/slug';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params }) =>
  withWork(async (em) => {
    const brand = await findBrand(em, params.brand);
    const marks = await plannedMarks(em.fork(), brand.id);
    return {
      brand,
      marks,
      brief: (await findDocument(em.fork(), brand.id, 'brief')).content,
      plan: await findDocument(em.fork(), brand.id, 'handover'),
      goods: await goodsAtHand(em.fork(), brand.id),
      packs: await listHandovers(em.fork(), brand),
      latin: {
        brand: slugOf(brand.name) || brand.slug,
        marks: Object.fromEntries(marks.map(({ id, name }) => [id, slugOf(name) || 'mark'])),
        colorways: Object.fromEntries(
          dressingsOf(brand.palette).map((dressing) => [dressing, slugOf(dress(brand.palette, dressing).label)]),
        ),
      },
    };
  });
