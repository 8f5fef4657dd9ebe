export { between, coverageOf, softCoverage } from './coverage';
export { fieldOutline } from './field-outline';
export { gaussian } from './gaussian';
export { levelsOf, softGrid, type Level } from './levels';
export { distanceThrough } from './through';
export {
  LEAST_TONES,
  MOST_OWN_CELLS,
  ownTexture,
  ownTextureSchema,
  TEXTURE_NAMES,
  textureFrom,
  textureOf,
  TEXTURES,
  type OwnTexture,
  type Texture,
  type TextureName,
} from './textures';
export { wornRegion, type Wear } from './wear';
