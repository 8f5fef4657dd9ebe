export { contrastRatio, luminance } from './contrast';
export { dress, DRESSINGS, legibleOn, type Dress, type Dressing } from './dressing';
export { channelsOf, parseHex, type Channels, type Hex } from './hex';
export { hexSchema, paletteSchema, ROLE_USE, ROLES, STARTING_PALETTE, type Palette, type Role } from './palette';
export { pictureColors, type PictureColor } from './picture-colors';
export { nearestColor, nearestRoleOf } from './nearest-role';
