export { IDEA_WORDS, IDEAS } from './ideas';
export { MEANT } from './meant';
export { ART_STYLES, createArtIndex, type ArtEntry, type ArtFound, type ArtIndex, type ArtQuery, type ArtStyle } from './search';
export { SYNONYMS } from './synonyms';
