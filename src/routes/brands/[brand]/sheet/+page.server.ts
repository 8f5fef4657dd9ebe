import { freeAlternatives } from '$core/index';
import { catalogue } from '$lib/server/fonts';
import { familyRoom } from '$lib/server/family-room';
import { goodsAtHand } from '$lib/server/goods/at-hand';
import { load as withWork } from '$lib/server/http/load';
import { listPictures } from '$lib/server/stores/brand-pictures';
import { ownFonts } from '$lib/server/stores/own-fonts';
import { findDocument } from '$lib/server/stores/documents';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params }) =>
  withWork(async (em) => {
    const room = await familyRoom(em, params.brand, { pieces: true });
    const { catalogue: own } = await ownFonts(em.fork(), room.brand);
    return {
      ...room,
      alternatives: freeAlternatives(room.families, { ...catalogue(), ...own }),
      brief: (await findDocument(em.fork(), room.brand.id, 'brief')).content,
      board: (await findDocument(em.fork(), room.brand.id, 'board')).content,
      pictures: await listPictures(em, room.brand.id),
      goods: await goodsAtHand(em.fork(), room.brand.id),
      type: (await findDocument(em.fork(), room.brand.id, 'type')).content,
      sheet: await findDocument(em.fork(), room.brand.id, 'sheet'),
    };
  });
