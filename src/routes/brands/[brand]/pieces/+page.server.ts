import { familyRoom } from '$lib/server/family-room';
import { load as withWork } from '$lib/server/http/load';
import { listPictures } from '$lib/server/stores/brand-pictures';
import { handedOver } from '$lib/server/stores/handed-over';
import { findDocument } from '$lib/server/stores/documents';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params }) =>
  withWork(async (em) => {
    const room = await familyRoom(em, params.brand, { pieces: true });
    return {
      ...room,
      pictures: await listPictures(em, room.brand.id),
      handed: await handedOver(em, room.brand),
      brief: (await findDocument(em.fork(), room.brand.id, 'brief')).content,
      type: (await findDocument(em.fork(), room.brand.id, 'type')).content,
    };
  });
