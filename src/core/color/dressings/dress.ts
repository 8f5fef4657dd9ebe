import { contrastRatio } from '../contrast';
import type { Hex } from '../hex';
import { nearestColor } from '../nearest-swatch';
import { mapColors, type ColorKey, type Palette } from '../palette';

/** One way to dress a mark: which color stands for each swatch, and the ground it is meant to be seen on. */
export interface Dress {
  readonly label: string;
  readonly colors: Palette;
  readonly ground: Hex;
  /** What a color that belongs to no swatch becomes; `undefined` leaves it as it is. */
  readonly loose?: Hex;
}

/** One colorway that every palette has. */
export interface DressingRow {
  readonly label: string;
  /** The swatch of the palette whose ground it is made for. */
  readonly ground: ColorKey;
  /** The one color it is painted in; none where every swatch keeps its own. */
  readonly paint?: (palette: Palette) => Hex;
}

/** Whether a color counts as ground: it stands out less from paper than from ink. */
const isLight = (palette: Palette, color: Hex): boolean => contrastRatio(color, palette.paper) < contrastRatio(color, palette.ink);

/** Every dark swatch in one color; light ones, which stand behind or cut holes, take the ground. So a letter on a pale disk stays legible. */
export const inOneColor = (palette: Palette, label: string, color: Hex, ground: Hex): Dress => ({
  label,
  ground,
  loose: color,
  colors: mapColors(palette, (hex) => (isLight(palette, hex) ? ground : color)),
});

/** Every swatch in ink or in a second color, whichever is nearer; what is lighter than both takes the paper. */
export const inTwoColors = (palette: Palette, label: string, second: Hex): Dress => ({
  label,
  ground: palette.paper,
  loose: palette.ink,
  colors: mapColors(
    palette,
    (hex) => ([palette.ink, second, palette.paper] as const)[nearestColor(hex, [palette.ink, second, palette.paper])] ?? hex,
  ),
});

/** Ink or paper, whichever stands out more from a ground. */
export const legibleOn = (palette: Palette, ground: Hex): Hex =>
  contrastRatio(palette.paper, ground) >= contrastRatio(palette.ink, ground) ? palette.paper : palette.ink;
