import { z } from 'zod';
import { hexSchema } from '../color/palette';

const place = {
  id: z.string().regex(/^[A-Za-z0-9_-]{1,64}$/),
  x: z.number().min(-10_000).max(100_000),
  y: z.number().min(-10_000).max(100_000),
  width: z.number().min(40).max(2000),
};

/** A color found in a picture, and the share of the picture that it stands for. */
export const foundColorSchema = z.strictObject({ hex: hexSchema, share: z.number().min(0).max(1) });
export type FoundColor = z.infer<typeof foundColorSchema>;

export const boardItemSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...place,
    kind: z.literal('picture'),
    picture: z.string().regex(/^[0-9a-f]{64}$/),
    /** Height ÷ width. */
    ratio: z.number().min(0.01).max(100),
    colors: z.array(foundColorSchema).max(12).default([]),
    /** Where it comes from. */
    source: z.string().max(300).default(''),
    /** What is taken from it. */
    takes: z.string().max(500).default(''),
  }),
  z.strictObject({ ...place, kind: z.literal('note'), text: z.string().max(2000).default('') }),
]);
export type BoardItem = z.infer<typeof boardItemSchema>;

/** Most pictures and notes on one board. */
export const MOST_BOARD_ITEMS = 240;

/** A mood board: pictures and notes, freely arranged, in board pixels from its left top corner. */
export const boardSchema = z.strictObject({ items: z.array(boardItemSchema).max(MOST_BOARD_ITEMS).default([]) });
export type Board = z.infer<typeof boardSchema>;

/** Where the next item of a width goes: the first free place in columns, so that nothing is covered. */
export function freePlace(board: Board, width: number, columns: number): { readonly x: number; readonly y: number } {
  const GAP = 12;
  const bottoms = Array.from({ length: columns }, (_, column) => {
    const left = column * (width + GAP);
    return board.items
      .filter((item) => item.x < left + width && item.x + item.width > left)
      .reduce((lowest, item) => Math.max(lowest, item.y + heightOfItem(item) + GAP), 0);
  });
  const column = bottoms.indexOf(Math.min(...bottoms));
  return { x: column * (width + GAP), y: bottoms[column] ?? 0 };
}

/** Height of an item with its caption, in board pixels. */
export const heightOfItem = (item: BoardItem): number => (item.kind === 'note' ? item.width * 0.7 : item.width * item.ratio + 46);
