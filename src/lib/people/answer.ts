/** What a form of these rooms answers: what was done, what was wrong, or a password that is said once. */
export type FormAnswer =
  { readonly fault?: string; readonly done?: string; readonly password?: string; readonly name?: string } | null | undefined;
