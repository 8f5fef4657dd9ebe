export { contrastRatio, luminance } from './contrast';
export { dress, dressingOn, dressingSchema, dressingsOf, hasDressing, legibleOn, paintOf, type Dress, type Dressing } from './dressings';
export { channelsOf, parseHex, type Channels, type Hex } from './hex';
export {
  colorKeySchema,
  hexSchema,
  isRole,
  isSwatchKey,
  MOST_SWATCHES,
  paletteForm,
  paletteSchema,
  ROLE_USE,
  ROLES,
  STARTING_PALETTE,
  swatchColor,
  swatchesOf,
  type ColorKey,
  type Palette,
  type Role,
  type Swatch,
  type SwatchKey,
} from './palette';
export { pictureColors, type PictureColor } from './picture-colors';
export { nearestColor, nearestSwatchOf } from './nearest-swatch';
