/** Languages that words are divided in. */
export const HYPHEN_LANGUAGES = ['english', 'german', 'french', 'spanish', 'italian'] as const;
export type HyphenLanguage = (typeof HYPHEN_LANGUAGES)[number];
