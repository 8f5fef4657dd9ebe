import * as grains from './grains';
import * as lines from './lines';
import type { Texture } from './texture';

/** Every texture of ours, one row each. */
export const TEXTURES = {
  worn: grains.worn,
  'dry-ink': grains.dryInk,
  grain: grains.grain,
  dust: grains.dust,
  scratches: lines.scratches,
  cracks: lines.cracks,
  brush: lines.brush,
  splatter: grains.splatter,
  stipple: grains.stipple,
  halftone: grains.halftone,
  linen: lines.linen,
  canvas: lines.canvas,
  fiber: lines.fiber,
  wood: lines.wood,
  lines: lines.lines,
  stains: lines.stains,
  rust: grains.rust,
  torn: grains.torn,
} as const satisfies Readonly<Record<string, Texture>>;
export type TextureName = keyof typeof TEXTURES;
export const TEXTURE_NAMES = Object.keys(TEXTURES) as readonly TextureName[];
export const textureOf = (name: TextureName): Texture => TEXTURES[name];
export type { Texture } from './texture';
export { LEAST_TONES, MOST_OWN_CELLS, ownTexture, ownTextureSchema, textureFrom, type OwnTexture } from './own';
