/** Addresses that pages and the server have to say alike. */

/** Stands before the digest in the address of a brand's picture. */
export const picturesAddress = (brandSlug: string): string => `/api/brands/${brandSlug}/pictures/`;
