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

/** What is smaller than this, in px, square px, radians, costs or as a share, is nothing; it stands for nothing where something has to be divided by it. */
export const NOUGHT = 1e-9;

/** Shares, scales and curvatures that differ by less than this are the same: some thousand roundings of a double (without unit). */
export const ROUNDING = 1e-12;

/** A box as high as this, in px, is a line: whatever is filled over it keeps an area. */
export const LINE_PX = 1e-6 as Px;

/** Counts of cells and pixels that fall short of a whole by less than this are whole: sums of eighths and products of scales do not come out even. */
export const WHOLE = 1e-6;

/** Sides whose smaller part is below this share of their length lie level or upright (without unit). */
export const LEVEL = 1e-6;

/** Arcs that turn by less than this, in radians, are drawn as straight lines: over 1,000 px they rise by an eighth of a pixel. */
export const STRAIGHT_RAD = 1e-3;

/** Chords that measure a shape are never finer than this, in px, however small the shape is. */
export const FINEST_PX = 1e-4 as Px;

/** A way along a curve, as a share of it, over which its direction is taken. */
export const DIRECTION_STEP = 1e-4;

/** A number to divide by: sizes that may be nothing never make what is measured by them boundless. @param value not negative */
export const notNought = (value: number): number => Math.max(value, NOUGHT);
