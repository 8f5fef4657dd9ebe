import { z } from 'zod';
import type { Hex } from '../hex';
import { isRole, isSwatchKey, swatchColor, swatchesOf, type ColorKey, type Palette } from '../palette';
import { inOneColor, legibleOn, type Dress, type DressingRow } from './dress';
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

/** How a mark is dressed: one of the colorways that every palette has, or in one color on one of its swatches. */
export type Dressing = Fixed | `on-${ColorKey}`;

/** The swatch that an `on-…` dressing stands on. */
const swatchOf = (dressing: `on-${ColorKey}`): ColorKey => dressing.slice('on-'.length) as ColorKey;

export const dressingSchema: z.ZodType<Dressing> = z.custom<Dressing>(
  (asked) =>
    typeof asked === 'string' &&
    (Object.hasOwn(ROWS, asked) || (asked.startsWith('on-') && (isRole(asked.slice(3)) || isSwatchKey(asked.slice(3))))),
  `Expected ${Object.keys(ROWS).join(', ')}, or on- and a color of the palette`,
);

/** The colorways of a palette: those that all have, and one on each swatch that is not the ground of one of them. */
export function dressingsOf(palette: Palette): readonly Dressing[] {
  const grounds = new Set<ColorKey>(Object.values(ROWS).map(({ ground }) => ground));
  return [
    ...(Object.keys(ROWS) as Fixed[]),
    ...swatchesOf(palette).flatMap(({ key }): readonly Dressing[] => (grounds.has(key) ? [] : [`on-${key}`])),
  ];
}

/** How a mark is dressed for the ground of a swatch, as its proofs are; on paper it stays in full color. */
export function dressingOn(key: ColorKey): Dressing {
  const row = (Object.keys(ROWS) as Fixed[]).find((name) => ROWS[name].ground === key);
  return row ?? `on-${key}`;
}

/** The one color that a dressing is painted in; nothing for full color, and for a swatch that the palette has no more. */
export function paintOf(palette: Palette, dressing: Dressing): Hex | undefined {
  if (isFixed(dressing)) return (ROWS[dressing] as DressingRow).paint?.(palette);
  const ground = swatchColor(palette, swatchOf(dressing));
  return ground && legibleOn(palette, ground);
}

/** Whether a palette can be dressed so: a swatch may be gone. */
export const hasDressing = (palette: Palette, dressing: Dressing): boolean =>
  isFixed(dressing) || swatchColor(palette, swatchOf(dressing)) !== undefined;

/** Dresses a palette: the mapping of swatches that is applied while a mark is resolved. Never stored. A swatch that is gone leaves full color. */
export function dress(palette: Palette, dressing: Dressing): Dress {
  const paint = paintOf(palette, dressing);
  if (paint === undefined) return { label: full.label, colors: palette, ground: palette.paper };
  if (isFixed(dressing)) {
    const row: DressingRow = ROWS[dressing];
    return inOneColor(palette, row.label, paint, swatchColor(palette, row.ground) ?? palette.paper);
  }
  const key = swatchOf(dressing);
  const { name, hex } = swatchesOf(palette).find((swatch) => swatch.key === key) ?? { name: key, hex: palette.paper };
  return inOneColor(palette, `on ${name}`, paint, hex);
}
