/** Marks are drawn in the browser's own worker; there is nothing for the server to render beforehand. */
export const ssr = false;
