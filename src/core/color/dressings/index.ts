import { z } from 'zod';
import { contrastRatio } from '../contrast';
import type { Hex } from '../hex';
import { isRole, isSwatchKey, swatchColor, swatchesOf, type ColorKey, type Palette } from '../palette';
import { inOneColor, inTwoColors, legibleOn, type Dress, type DressingRow } from './dress';
import { black } from './black';
import { full } from './full';
import { oneColorOnPaper } from './one-color';
import { reversed } from './reversed';
import { white } from './white';

export { legibleOn, type Dress } from './dress';

/** The colorways that every palette has; a new one is one file and one row. */
const ROWS = { full, 'one-color': oneColorOnPaper, reversed, black, white } as const satisfies Readonly<Record<string, DressingRow>>;
type Fixed = keyof typeof ROWS;
const isFixed = (dressing: Dressing): dressing is Fixed => Object.hasOwn(ROWS, dressing);

/** How a mark is dressed: one of the colorways that every palette has, in one color on one of its swatches, or in ink and one of its swatches. */
export type Dressing = Fixed | `on-${ColorKey}` | `two-${ColorKey}`;

/** Colorways of a swatch: it is the ground, or the second of two inks. */
const OF_A_SWATCH = /^(on|two)-(.+)$/;
const swatchOf = (dressing: Dressing): { readonly is: 'on' | 'two'; readonly key: ColorKey } | undefined => {
  const [, is, key] = OF_A_SWATCH.exec(dressing) ?? [];
  return is !== undefined && key !== undefined && (isRole(key) || isSwatchKey(key)) ? { is: is as 'on' | 'two', key } : undefined;
};
/** Swatches that are offered as a second ink: more than these would be more colorways than anybody compares. */
const SECOND_INKS = ['lead', 'second', 'accent'] as const;
/** Contrast with paper from which a color counts as an ink, and not as a tint of the paper. */
const SEEN_ON_PAPER = 1.5;
const isSecondInk = ({ ink, paper }: Palette, hex: Hex): boolean => hex !== ink && contrastRatio(hex, paper) >= SEEN_ON_PAPER;

export const dressingSchema: z.ZodType<Dressing> = z.custom<Dressing>(
  (asked) => typeof asked === 'string' && (Object.hasOwn(ROWS, asked) || swatchOf(asked as Dressing) !== undefined),
  `Expected ${Object.keys(ROWS).join(', ')}, or on- or two- and a color of the palette`,
);

/** The colorways of a palette: those that all have, ink with each color that may stand beside it, and one on each swatch that is not the ground of one of them. */
export function dressingsOf(palette: Palette): readonly Dressing[] {
  const grounds = new Set<ColorKey>(Object.values(ROWS).map(({ ground }) => ground));
  return [
    ...(Object.keys(ROWS) as Fixed[]),
    ...SECOND_INKS.flatMap((key): readonly Dressing[] => (isSecondInk(palette, palette[key]) ? [`two-${key}`] : [])),
    ...swatchesOf(palette).flatMap(({ key }): readonly Dressing[] => (grounds.has(key) ? [] : [`on-${key}`])),
  ];
}

/** How a mark is dressed for the ground of a swatch, as its proofs are; on paper it stays in full color. */
export function dressingOn(key: ColorKey): Dressing {
  const row = (Object.keys(ROWS) as Fixed[]).find((name) => ROWS[name].ground === key);
  return row ?? `on-${key}`;
}

/** The one or two colors that a dressing is painted in; nothing for full color, and for a swatch that the palette has no more. */
export function paintsOf(palette: Palette, dressing: Dressing): readonly Hex[] | undefined {
  if (isFixed(dressing)) {
    const paint = (ROWS[dressing] as DressingRow).paint?.(palette);
    return paint && [paint];
  }
  const swatch = swatchOf(dressing);
  const hex = swatch && swatchColor(palette, swatch.key);
  if (!swatch || !hex) return undefined;
  return swatch.is === 'two' ? [palette.ink, hex] : [legibleOn(palette, hex)];
}

/** The first color that a dressing is painted in. */
export const paintOf = (palette: Palette, dressing: Dressing): Hex | undefined => paintsOf(palette, dressing)?.[0];

/** Whether a palette can be dressed so: a swatch may be gone. */
export const hasDressing = (palette: Palette, dressing: Dressing): boolean =>
  isFixed(dressing) || paintsOf(palette, dressing) !== undefined;

/** Dresses a palette: the mapping of swatches that is applied while a mark is resolved. Never stored. A swatch that is gone leaves full color. */
export function dress(palette: Palette, dressing: Dressing): Dress {
  const paint = paintOf(palette, dressing);
  if (paint === undefined) return { label: full.label, colors: palette, ground: palette.paper };
  if (isFixed(dressing)) {
    const row: DressingRow = ROWS[dressing];
    return inOneColor(palette, row.label, paint, swatchColor(palette, row.ground) ?? palette.paper);
  }
  const { is, key } = swatchOf(dressing) ?? { is: 'on', key: 'paper' };
  const { name, hex } = swatchesOf(palette).find((swatch) => swatch.key === key) ?? { name: key, hex: palette.paper };
  return is === 'two'
    ? inTwoColors(palette, `${swatchesOf(palette).find((swatch) => swatch.key === 'ink')?.name ?? 'ink'} and ${name}`, hex)
    : inOneColor(palette, `on ${name}`, paint, hex);
}
