import { load as withWork } from '$lib/server/http/load';
import { findBrand } from '$lib/server/stores/brands';
import { findDocument } from '$lib/server/stores/documents';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params }) =>
  withWork(async (em) => {
    const brand = await findBrand(em, params.brand);
    return { brand, brief: await findDocument(em, brand.id, 'brief'), board: await findDocument(em, brand.id, 'board') };
  });
