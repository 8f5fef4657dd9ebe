/** What a designer may ask of a part where there is one color; left to the rule when nothing is. */
export const ONE_COLOR_WISHES = ['ink', 'clear', 'gap', 'outline', 'hatched', 'counterchanged', 'left-out'] as const;
export type OneColorWish = (typeof ONE_COLOR_WISHES)[number];

/** As a designer reads them. */
export const ONE_COLOR_WORDS: Readonly<Record<OneColorWish, string>> = {
  ink: 'inked',
  clear: 'clear (a hole)',
  gap: 'inked, with a gap around',
  outline: 'clear, with an outline',
  hatched: 'hatched',
  counterchanged: 'turned where it meets ink',
  'left-out': 'left out',
};
