/** Millimetres in one inch, exactly. @source ISO 80000-3 (the inch is defined as 25.4 mm) */
export const MM_PER_INCH = 25.4;

/** CSS pixels in one inch; a mark's unit follows it, so that 1 mm means the same in the mark and on a page. @source W3C CSS Values 4, "absolute lengths" */
export const PX_PER_INCH = 96;

/** What one of each unit is worth in the mark's pixels. */
export const PX_PER_UNIT = {
  px: 1,
  mm: PX_PER_INCH / MM_PER_INCH,
  cm: (10 * PX_PER_INCH) / MM_PER_INCH,
  in: PX_PER_INCH,
  pt: PX_PER_INCH / 72,
} as const;

export type LengthUnit = keyof typeof PX_PER_UNIT;
