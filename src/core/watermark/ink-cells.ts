import type { Hex } from '../color/hex';
import { fillRows, type Affine, type CellGrid } from '../geometry';
import { outlinesIn, walkNodes, type Drawing, type DrawingNode } from '../marks';
import type { PhotoSize } from './place';

/** How much of each small cell of a picture is covered by ink. */
export interface InkCells {
  readonly columns: number;
  readonly rows: number;
  /** In [0, 1], opacity of the ink included. */
  readonly cover: Float32Array;
}

const FINE = 6;
/** What stands for pictures in marks, whose colors are many: a middle gray. */
const PICTURE_COLOR: Hex = '#808080';

/** Ink on points, 6 × 6 a cell: how opaque it is, and which color lies on top, from 1. */
interface InkedPoints {
  readonly columns: number;
  readonly rows: number;
  readonly opacity: Float32Array;
  readonly top: Uint16Array;
  readonly colors: readonly Hex[];
}

/** Opacities of nested groups multiply; where outlines lie over one another, the more opaque one counts, and the color of the upper one. */
function inkedPoints(photo: PhotoSize, columns: number, drawing: Drawing, map?: Affine): InkedPoints {
  const cell = photo.widthPx / columns / FINE;
  const grid: CellGrid = { columns: columns * FINE, rows: Math.round(photo.heightPx / cell), left: 0, top: 0, cell };
  const opacity = new Float32Array(grid.columns * grid.rows);
  const top = new Uint16Array(opacity.length);
  const colors = new Map<Hex, number>();
  walkNodes<DrawingNode>(
    drawing.groups,
    (leaf, { map: own, around }) => {
      const here = around.reduce((product, { group }) => product * group.opacity, leaf.opacity);
      const [region] = outlinesIn<DrawingNode>([leaf], own);
      if (!region) return;
      const color = leaf.kind === 'fill' ? leaf.color : PICTURE_COLOR;
      const index = colors.get(color) ?? colors.size + 1;
      colors.set(color, index);
      fillRows(region, grid, (row, from, to) => {
        for (let x = from; x < to; x++) {
          const at = row * grid.columns + x;
          top[at] = index;
          if ((opacity[at] as number) < here) opacity[at] = here;
        }
      });
    },
    { ...(map ? { map } : {}), shown: true },
  );
  return { columns: grid.columns, rows: grid.rows, opacity, top, colors: [...colors.keys()] };
}

/** The share of each cell under ink. @param of counts the points of one color alone, from 1 */
function counted({ columns: wide, rows: high, opacity, top }: InkedPoints, columns: number, rows: number, of = 0): InkCells {
  const cover = new Float32Array(columns * rows);
  for (let y = 0; y < high; y++) {
    const row = Math.min(rows - 1, Math.floor((y * rows) / high)) * columns;
    for (let x = 0; x < wide; x++) {
      const from = y * wide + x;
      if (of > 0 && top[from] !== of) continue;
      const at = row + Math.floor(x / FINE);
      cover[at] = (cover[at] as number) + (opacity[from] as number);
    }
  }
  const points = (FINE * high) / rows;
  for (let at = 0; at < cover.length; at++) cover[at] = (cover[at] as number) / points;
  return { columns, rows, cover };
}

/**
 * Counts the ink of a drawing over the cells of a grid, by 6 × 6 points a cell.
 * @param map from the drawing's plane to the picture's pixels
 */
export const inkCells = (photo: PhotoSize, columns: number, rows: number, drawing: Drawing, map?: Affine): InkCells =>
  counted(inkedPoints(photo, columns, drawing, map), columns, rows);

/** The same, each color by itself, as far as it is seen. */
export function inkCellsByColor(
  photo: PhotoSize,
  columns: number,
  rows: number,
  drawing: Drawing,
  map?: Affine,
): ReadonlyMap<Hex, InkCells> {
  const points = inkedPoints(photo, columns, drawing, map);
  return new Map(points.colors.map((color, at) => [color, counted(points, columns, rows, at + 1)]));
}
