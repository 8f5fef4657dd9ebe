/** A texture made from a seed. */
export interface Texture {
  readonly label: string;
  /** One sentence on what it looks like. */
  readonly hint: string;
  /**
   * How soon a place is worn: the higher, the sooner. Only the order counts; what share is worn is chosen elsewhere.
   * @param x, y in grains
   */
  readonly at: (x: number, y: number, seed: number) => number;
  /** How many cells one grain takes, so that nothing finer than a cell is asked for. */
  readonly cells: number;
}
