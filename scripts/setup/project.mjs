import { fileURLToPath } from 'node:url';

/** The project's folder, without a slash at its end. */
export const PROJECT = fileURLToPath(new URL('../../', import.meta.url)).replace(/\/$/, '');
