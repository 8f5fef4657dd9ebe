/** Opening, checking and shaping fonts. Kept apart from `$core/index`, because it brings WebAssembly: only workers, the server and tests need it. */
export { checkFont, embeddingRight, facesOf, measureOwnFont, type CheckedFont, type EmbeddingRight } from './check-font';
export { checkTables, type FontTables } from './check-tables';
export { collectionFaces, LARGEST_FONT_BYTES, unpackFontFile } from './font-file';
export { createFontLoader, type FontLoader } from './font-loader';
export { openTypeface } from './open-typeface';
