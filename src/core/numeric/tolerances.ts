import type { Px } from '../units/quantity';

/** Every tolerance of the core, each with its unit and the reason for its size. */

/** Coordinates in written files are rounded to this many digits after the point: 0.001 of the mark's unit, below a tenth of a pixel at the largest export. */
export const WRITTEN_DIGITS = 3;

/** Largest gap between a curve and the chord that stands for it: below what antialiasing shows. */
export const FLATTEN_PX = 0.1 as Px;

/** Derivative roots closer to a segment's ends than this (curve parameter, without unit) are the ends themselves. */
export const CURVE_PARAMETER = 1e-9;

/** A quadratic whose leading coefficient is below this share of its others is solved as a line (without unit). */
export const FLAT_COEFFICIENT = 1e-12;

/** What is smaller than this, in px or as a share, is nothing; it stands for nothing where something has to be divided by it. */
const NOUGHT = 1e-9;

/** A number to divide by: sizes that may be nothing never make what is measured by them boundless. @param value not negative */
export const notNought = (value: number): number => Math.max(value, NOUGHT);
