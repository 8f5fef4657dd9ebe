/** A client's page works without scripts, and is sent without any. */
export const csr = false;
