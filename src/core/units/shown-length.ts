import { PX_PER_UNIT, type LengthUnit } from './length';

/** Units that lengths can be shown in, with what a designer calls them, how fine they are shown, and how far one key steps. */
export const SHOWN_UNITS = {
  px: { label: 'pixels', digits: 1, fine: 2, step: 1 },
  mm: { label: 'millimeters', digits: 2, fine: 3, step: 0.5 },
  in: { label: 'inches', digits: 3, fine: 4, step: 0.02 },
} as const satisfies { readonly [U in LengthUnit]?: { label: string; digits: number; fine: number; step: number } };
export type ShownUnit = keyof typeof SHOWN_UNITS;

/** A length of the mark in another unit, and back. */
export const inUnit = (px: number, unit: ShownUnit): number => px / PX_PER_UNIT[unit];
export const fromUnit = (length: number, unit: ShownUnit): number => length * PX_PER_UNIT[unit];

/** A length as it is read: “12.4 px”, “3.28 mm”. */
export const lengthText = (px: number, unit: ShownUnit): string => `${inUnit(px, unit).toFixed(SHOWN_UNITS[unit].digits)} ${unit}`;
