import { writeRecipe } from '$core/index';
import { familyRoom } from '$lib/server/family-room';
import { scenes } from '$lib/server/goods/scenes';
import { load as withWork } from '$lib/server/http/load';
import { findDocument } from '$lib/server/stores/documents';
import { listPhotos } from '$lib/server/stores/photos';
import { listTries } from '$lib/server/stores/tries';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params }) =>
  withWork(async (em) => {
    const room = await familyRoom(em, params.brand);
    const tries = [];
    for (const { id, slug, shelf } of room.marks)
      if (shelf === 'kept')
        for (const kept of await listTries(em.fork(), room.brand.id, slug))
          tries.push({ id: kept.id, name: kept.name, mark: id, recipe: writeRecipe(kept.recipe) });
    return {
      ...room,
      tries,
      makers: await findDocument(em, room.brand.id, 'makers'),
      scenes: scenes(),
      goods: await findDocument(em.fork(), room.brand.id, 'goods'),
      photos: await listPhotos(em.fork(), room.brand.id),
    };
  });
