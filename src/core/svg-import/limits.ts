/** What an imported drawing may be, so that reading it always ends. */
export const SVG_LIMITS = {
  /** Characters of markup. */
  characters: 6_000_000,
  /** Elements, those repeated by `use` included. */
  elements: 20_000,
  /** Elements within elements. */
  depth: 64,
  /** `use` within `use`. */
  uses: 12,
  /** Lines and curves in all outlines together. */
  segments: 40_000,
  /** How often sides of outlines cross each other, in all: combining takes time by the square of it. */
  crossings: 6000,
  /** Characters of text that become outlines. */
  words: 4000,
  /** Largest coordinate, in the drawing's own unit. */
  coordinate: 1_000_000,
} as const;
