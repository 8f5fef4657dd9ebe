import { load as withWork } from '$lib/server/http/load';
import { listBrands } from '$lib/server/stores/brands';
import { listMarks } from '$lib/server/stores/marks';
import { ownFonts } from '$lib/server/stores/own-fonts';
import { brandStrip } from '$lib/server/strip';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = () =>
  withWork(async (em) => ({
    brands: await Promise.all(
      (await listBrands(em)).map(async (brand) => {
        const marks = await listMarks(em.fork(), brand.id);
        const newest = marks
          .map((mark) => mark.savedAt)
          .sort()
          .at(-1);
        return {
          ...brand,
          cells: await brandStrip(brand, marks, (await ownFonts(em.fork(), brand)).families),
          markNames: marks.map((mark) => mark.name.toLowerCase()),
          savedAt: newest,
        };
      }),
    ),
  }));
