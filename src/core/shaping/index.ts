/** Opening and shaping fonts. Kept apart from `$core/index`, because it brings WebAssembly: only workers, the server and tests need it. */
export { unpackFontFile } from './font-file';
export { createFontLoader, type FontLoader } from './font-loader';
export { openTypeface } from './open-typeface';
