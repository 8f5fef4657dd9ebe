/** Reading drawings made elsewhere. Kept apart from `$core/index`, because pages need none of it. */
export { importSvg, type ImportedDrawing, type ImportedPiece } from './import-svg';
export { type NamedFace, type SetWords } from './text';
export { SVG_LIMITS } from './limits';
export { asArt } from './as-art';
