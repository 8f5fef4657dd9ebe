export { between, coverageOf, softCoverage } from './coverage';
export { fieldOutline } from './field-outline';
export { gaussian } from './gaussian';
export { levelsOf, softGrid, type Level } from './levels';
export { distanceThrough } from './through';
export { TEXTURE_NAMES, textureOf, TEXTURES, type TextureName } from './textures';
export { wornRegion, type Wear } from './wear';
