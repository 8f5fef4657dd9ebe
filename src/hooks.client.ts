import type { HandleClientError } from '@sveltejs/kit';
import { pageWaits } from '$lib/client/page-waits.svelte';
import { patientFetch } from '$lib/client/patient-fetch';

// The framework reads the data of pages by the window's own `fetch`, so that it can be put another in its place.
if ('window' in globalThis)
  window.fetch = patientFetch(
    window.fetch.bind(window),
    () => location.pathname,
    (more) => (pageWaits.count += more),
  );

/**
 * What browsers say where nobody answers: a type error like any other, told apart by its first words alone. A fault of ours must not
 * pass for it: its page would be loaded again and again.
 */
const NOBODY_ANSWERS = /^(Failed to fetch|NetworkError when|Load failed|error loading dynamically|Importing a module script failed)/;

export const handleError: HandleClientError = ({ error, message }) =>
  error instanceof TypeError && NOBODY_ANSWERS.test(error.message)
    ? { message: 'The server cannot be reached. This page comes back by itself as soon as it answers.', unreachable: true }
    : { message };
