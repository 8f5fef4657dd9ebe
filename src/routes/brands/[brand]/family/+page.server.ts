import { familyRoom } from '$lib/server/family-room';
import { load as withWork } from '$lib/server/http/load';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params }) => withWork((em) => familyRoom(em, params.brand));
