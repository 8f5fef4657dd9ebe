import { notNought } from '../numeric/tolerances';
import { heightOf, widthOf, type Bounds } from '../geometry';
import type { Role } from '../color';
import type { Anchor } from '../output/canvas';

/** What stands where on a piece, in the canvas's own pixels. */
export type Slot =
  | { readonly is: 'mark' | 'submark'; readonly box: Bounds; readonly anchor?: Anchor; readonly on?: Role }
  | {
      readonly is: 'words';
      readonly what: WordsWhat;
      readonly box: Bounds;
      readonly align?: 'start' | 'center' | 'end';
      readonly stands?: 'top' | 'middle' | 'foot';
      readonly on?: Role;
    }
  | { readonly is: 'picture'; readonly box: Bounds }
  | { readonly is: 'panel'; readonly box: Bounds; readonly paint: Role; readonly corner?: number }
  | { readonly is: 'line'; readonly box: Bounds };
export const WORDS_WHAT = ['heading', 'text', 'small'] as const;
export type WordsWhat = (typeof WORDS_WHAT)[number];

/** The room that a layout divides. */
export interface Room {
  /** The canvas as it is cut. */
  readonly cut: Bounds;
  /** With its bleed: what runs off the edge runs so far. */
  readonly bleed: Bounds;
  /** What words and marks keep within. */
  readonly safe: Bounds;
  /** Air between things. */
  readonly gap: number;
  readonly shape: 'wide' | 'square' | 'tall';
}

/** One way to divide a piece; it answers for any size. */
export interface PieceLayout {
  readonly id: string;
  readonly label: string;
  /** What the canvas is painted with. */
  readonly ground: Role;
  readonly wantsPicture: boolean;
  readonly slots: (room: Room) => readonly Slot[];
}

export const shapeOf = (box: Bounds): Room['shape'] => {
  const ratio = widthOf(box) / heightOf(box);
  return ratio > 1.5 ? 'wide' : ratio < 0.8 ? 'tall' : 'square';
};

/** A box's part from one share of its height to another. */
export const rows = ({ left, top, right, bottom }: Bounds, from: number, to: number): Bounds => ({
  ...{ left, right },
  top: top + (bottom - top) * from,
  bottom: top + (bottom - top) * to,
});
/** A box's part from one share of its width to another. */
export const columns = ({ left, top, right, bottom }: Bounds, from: number, to: number): Bounds => ({
  ...{ top, bottom },
  left: left + (right - left) * from,
  right: left + (right - left) * to,
});
/** A box with air on every side; never less than a hair. */
export function inset({ left, top, right, bottom }: Bounds, x: number, y = x): Bounds {
  const [dx, dy] = [Math.min(x, (right - left) * 0.45), Math.min(y, (bottom - top) * 0.45)];
  return { left: left + dx, top: top + dy, right: right - dx, bottom: bottom - dy };
}
/** Two boxes of one, with a gap between: above one another, or beside. */
export function split(box: Bounds, how: 'rows' | 'columns', at: number, gap: number): readonly [Bounds, Bounds] {
  const part = how === 'rows' ? rows : columns;
  const long = how === 'rows' ? heightOf(box) : widthOf(box);
  const half = Math.min(0.2, gap / 2 / notNought(long));
  return [part(box, 0, Math.max(0.05, at - half)), part(box, Math.min(0.95, at + half), 1)];
}
