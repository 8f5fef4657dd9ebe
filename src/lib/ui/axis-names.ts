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
