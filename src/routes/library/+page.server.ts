import { library } from '$lib/server/library';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = () => library();
