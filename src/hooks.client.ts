import type { HandleClientError } from '@sveltejs/kit';

/** A browser throws a type error where nobody answers, and says no more about it. @source WHATWG Fetch, "fetch() method" */
export const handleError: HandleClientError = ({ error, message }) =>
  error instanceof TypeError && /fetch|network|load/i.test(error.message)
    ? { message: 'The server cannot be reached. This page comes back by itself as soon as it answers.', unreachable: true }
    : { message };
