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

const AXIS_HINTS: Readonly<Record<string, string>> = {
  wght: 'How heavy the letters are, as the font itself draws them',
  wdth: 'How wide the letters are, as the font itself draws them',
  opsz: 'For which size the letters are drawn: small ones are sturdier and wider',
  slnt: 'How far the letters lean, as the font itself draws them',
  ital: 'From upright to italic letters',
  SOFT: 'How round the corners of the letters are',
  WONK: 'Whether letters with a leaning stroke of their own are used',
};
/** What an axis does, in a sentence; of one that is not registered only that it is the font's own. */
export const axisHint = (tag: string): string => AXIS_HINTS[tag] ?? `One of the font’s own axes (${tag})`;
