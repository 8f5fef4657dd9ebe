import { familyRoom } from '$lib/server/family-room';
import { load as withWork } from '$lib/server/http/load';
import { findDocument } from '$lib/server/stores/documents';
import { listPhotoRuns, listPhotos } from '$lib/server/stores/photos';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params }) =>
  withWork(async (em) => {
    const room = await familyRoom(em, params.brand);
    return {
      ...room,
      desk: await findDocument(em.fork(), room.brand.id, 'photos'),
      photos: await listPhotos(em.fork(), room.brand.id),
      runs: await listPhotoRuns(em.fork(), room.brand.id),
    };
  });
