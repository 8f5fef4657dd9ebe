/** A place in the mark: x to the right, y down, in mark pixels unless a function says otherwise. */
export interface Point {
  readonly x: number;
  readonly y: number;
}
