/**
 * Largest recipe, as JSON, in bytes: the one limit of a mark, of a save and of a drawing that is brought in. A crest of 300 parts of art has
 * about a third of it.
 */
export const LARGEST_RECIPE_BYTES = 6 * 1024 * 1024;
/** Most bytes of recipes in one save; a longer backlog is sent in portions. */
export const LARGEST_SAVE_BYTES = LARGEST_RECIPE_BYTES;
