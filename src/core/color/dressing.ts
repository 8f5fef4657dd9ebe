import { contrastRatio } from './contrast';
import type { Hex } from './hex';
import { ROLES, type Palette, type Role } from './palette';

/** One way to dress a mark: which color stands for each role, and the ground it is meant to be seen on. */
export interface Dress {
  readonly label: string;
  readonly colors: Palette;
  readonly ground: Hex;
  /** What a color that belongs to no role becomes; `undefined` leaves it as it is. */
  readonly loose?: Hex;
}

export const DRESSINGS = ['full', 'one-color', 'reversed', 'on-lead'] as const;
export type Dressing = (typeof DRESSINGS)[number];

/** Whether a color counts as ground: it stands out less from paper than from ink. */
const isLight = (palette: Palette, color: Hex): boolean => contrastRatio(color, palette.paper) < contrastRatio(color, palette.ink);

/** Every dark role in one color; light roles, which stand behind or cut holes, take the ground. So a letter on a pale disk stays legible. */
const single = (palette: Palette, label: string, color: Hex, ground: Hex): Dress => ({
  label,
  ground,
  loose: color,
  colors: Object.fromEntries(ROLES.map((role: Role) => [role, isLight(palette, palette[role]) ? ground : color])) as Palette,
});

/** Ink or paper, whichever stands out more from a ground. */
export const legibleOn = (palette: Palette, ground: Hex): Hex =>
  contrastRatio(palette.paper, ground) >= contrastRatio(palette.ink, ground) ? palette.paper : palette.ink;

const dressings: { readonly [D in Dressing]: (palette: Palette) => Dress } = {
  full: (palette) => ({ label: 'full color', colors: palette, ground: palette.paper }),
  'one-color': (palette) => single(palette, 'one color', palette.ink, palette.paper),
  reversed: (palette) => single(palette, 'reversed', palette.paper, palette.ink),
  'on-lead': (palette) => single(palette, 'on lead', legibleOn(palette, palette.lead), palette.lead),
};

/** Dresses a palette: the mapping of roles that is applied while a mark is resolved. Never stored. */
export const dress = (palette: Palette, dressing: Dressing): Dress => dressings[dressing](palette);
