/** What the roles of a studio are called, and what they let somebody do. */
export const ROLE_WORDS = {
  viewer: { label: 'Look', means: 'sees every brand and fetches files; changes nothing' },
  designer: { label: 'Design', means: 'makes and changes brands, marks, files and clients’ links' },
  owner: { label: 'Own', means: 'all of that, and decides who is let in' },
} as const;
export type RoleName = keyof typeof ROLE_WORDS;

/** Whether somebody may only look; where nobody signs in, whoever is there may do everything. */
export const looksOnly = ({ signedIn }: Pick<App.PageData, 'signedIn'>): boolean => signedIn?.role === 'viewer';
