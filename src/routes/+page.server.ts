import { load as withWork } from '$lib/server/http/load';
import { readQuery } from '$lib/server/http/read-query';
import { studioQuerySchema } from '$lib/server/http/schemas';
import { countBrands, findBrands } from '$lib/server/stores/brands';
import { listMarks } from '$lib/server/stores/marks';
import { ownFonts } from '$lib/server/stores/own-fonts';
import { brandStrip } from '$lib/server/strip';
import type { PageServerLoad } from './$types';

/** Only the brands that are shown are drawn, however many there are. */
export const load: PageServerLoad = ({ url }) =>
  withWork(async (em) => {
    const query = readQuery(url, studioQuerySchema);
    const { brands, total } = await findBrands(em, query);
    return {
      query,
      total,
      counts: await countBrands(em),
      brands: await Promise.all(
        brands.map(async (brand) => {
          const marks = await listMarks(em.fork(), brand.id);
          return {
            ...brand,
            cells: await brandStrip(brand, marks, (await ownFonts(em.fork(), brand)).families),
            markNames: marks.filter(({ shelf, role }) => shelf === 'kept' && role !== 'piece').map((mark) => mark.name.toLowerCase()),
          };
        }),
      ),
    };
  });
