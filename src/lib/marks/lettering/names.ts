/** Axes in a designer's words. @source OpenType design-variation axis tag registry */
export const AXIS_NAMES: Readonly<Record<string, string>> = {
  wght: 'Weight',
  wdth: 'Width',
  opsz: 'Optical size',
  slnt: 'Slant',
  ital: 'Italic',
  SOFT: 'Softness',
  WONK: 'Wonk',
};

/** Whole numbers without a sign for zero; −12 with a true minus. */
export const signed = (value: number): string => {
  const rounded = Math.round(value);
  return rounded < 0 ? `−${-rounded}` : String(rounded);
};
