import type { HandleClientError } from '@sveltejs/kit';

/**
 * What browsers say where nobody answers: a type error like any other, told apart by its first words alone. A fault of ours must not
 * pass for it: its page would be loaded again and again.
 */
const NOBODY_ANSWERS = /^(Failed to fetch|NetworkError when|Load failed|error loading dynamically|Importing a module script failed)/;

export const handleError: HandleClientError = ({ error, message }) =>
  error instanceof TypeError && NOBODY_ANSWERS.test(error.message)
    ? { message: 'The server cannot be reached. This page comes back by itself as soon as it answers.', unreachable: true }
    : { message };
