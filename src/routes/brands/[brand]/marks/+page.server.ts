import { redirect } from '@sveltejs/kit';
import { load as withWork } from '$lib/server/http/load';
import { findBrand } from '$lib/server/stores/brands';
import { listMarks } from '$lib/server/stores/marks';
import type { PageServerLoad } from './$types';

/** Opens the brand's first mark. */
export const load: PageServerLoad = async ({ params }) => {
  const { brand, first } = await withWork(async (em) => {
    const { id, name, slug } = await findBrand(em, params.brand);
    return { brand: { name, slug }, first: (await listMarks(em, id)).find(({ shelf }) => shelf === 'kept') };
  });
  if (first) redirect(307, `/brands/${params.brand}/marks/${first.slug}`);
  return { brand };
};
