import { familyRoom } from '$lib/server/family-room';
import { load as withWork } from '$lib/server/http/load';
import { findDocument } from '$lib/server/stores/documents';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params }) =>
  withWork(async (em) => {
    const room = await familyRoom(em, params.brand);
    const [board, kept] = [await findDocument(em, room.brand.id, 'board'), await findDocument(em, room.brand.id, 'palettes')];
    return { ...room, board: board.content, kept };
  });
