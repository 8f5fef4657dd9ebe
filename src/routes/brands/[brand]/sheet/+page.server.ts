import { familyRoom } from '$lib/server/family-room';
import { load as withWork } from '$lib/server/http/load';
import { findDocument } from '$lib/server/stores/documents';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params }) =>
  withWork(async (em) => {
    const room = await familyRoom(em, params.brand, { pieces: true });
    return {
      ...room,
      brief: (await findDocument(em.fork(), room.brand.id, 'brief')).content,
      type: (await findDocument(em.fork(), room.brand.id, 'type')).content,
      sheet: await findDocument(em.fork(), room.brand.id, 'sheet'),
    };
  });
