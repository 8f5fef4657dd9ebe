export { contrastRatio, luminance } from './contrast';
export { colorDifference } from './difference';
export {
  dress,
  dressingOn,
  dressingSchema,
  dressingsOf,
  hasDressing,
  paintsOf,
  legibleOn,
  paintOf,
  type Dress,
  type Dressing,
} from './dressings';
export { fittedColors } from './fitted';
export { HARMONIES, HARMONY_NAMES, harmonyOf, type Harmony } from './harmonies';
export { channelsOf, parseHex, type Channels, type Hex } from './hex';
export { hexOfHsl, hslOf, type Hsl } from './hsl';
export {
  MOST_COLOR_TEXT,
  paletteFormats,
  readColors,
  readCssColor,
  type ReadColor,
  type PaletteFormat,
  type PaletteFormatName,
  type ReadColors,
} from './interchange';
export { LEGIBILITY, legibility, legibleNear, type Legibility, type Suggestion } from './legibility';
export { MOST_CHROMA, mostChroma, oklchOf, shownColor, type Oklch, type ShownColor } from './oklch';
export {
  colorKeySchema,
  hexSchema,
  isRole,
  isSwatchKey,
  lookIdSchema,
  MOST_LOOKS,
  MOST_SWATCHES,
  MOST_TREATMENTS,
  paletteForm,
  paletteSchema,
  ROLE_USE,
  ROLES,
  STARTING_PALETTE,
  swatchColor,
  swatchesOf,
  type ColorKey,
  type KeptLook,
  type Palette,
  type Role,
  type Swatch,
  type SwatchKey,
  type SwatchNotes,
} from './palette';
export { exchanged, movedSwatch, noted, recolored, withoutSwatch, withSwatch } from './palette-edit';
export { NEAR_DUPLICATE, paletteFaults, type PaletteFault } from './palette-faults';
export { pictureColors, type PictureColor } from './picture-colors';
export { cmykSchema, isPrintable, plainCmyk, type Cmyk } from './print';
export { nearestColor, nearestSwatchOf } from './nearest-swatch';
export { tintsOf } from './tints';
export { seenWith, VISION_MATRIX, VISION_NAMES, VISIONS, type ColorMatrix, type Vision } from './vision';
