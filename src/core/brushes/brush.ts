/** Where a place lies in a stroke. */
export interface StrokePlace {
  /** From the nearest place of the way: 0, to the edge of the stroke: 1. */
  readonly off: number;
  /** To the left and right of the way, −1 and 1 at the edges. */
  readonly across: number;
  /** From where the stroke begins, in its own widths; less than nothing on its round beginning. */
  readonly along: number;
  /** The whole way, in its own widths. */
  readonly length: number;
}

/** How a hand lays down a line. */
export interface Brush {
  readonly label: string;
  /** One sentence on what it looks like. */
  readonly hint: string;
  /** How far inside of the ink a place lies: above 0 is inked. Smooth, about 1 on the middle of the stroke; never above 0 beyond its edges. */
  readonly inked: (place: StrokePlace, seed: number) => number;
}
