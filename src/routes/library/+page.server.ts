import { heavy } from '$lib/server/heavy/pool';
import { load as withWork } from '$lib/server/http/load';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = () => withWork(() => heavy('library', {}));
