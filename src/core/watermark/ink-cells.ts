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

/**
 * Counts the ink of a drawing over the cells of a grid, by 6 × 6 points a cell.
 * @param map from the drawing's plane to the picture's pixels
 */
export function inkCells(photo: PhotoSize, columns: number, rows: number, drawing: Drawing, map?: Affine): InkCells {
  const cover = new Float32Array(columns * rows);
  const cell = photo.widthPx / columns / FINE;
  const grid: CellGrid = { columns: columns * FINE, rows: Math.round(photo.heightPx / cell), left: 0, top: 0, cell };
  const fine = new Float32Array(grid.columns * grid.rows);
  // Opacities of nested groups multiply; where outlines lie over one another, the more opaque one counts.
  walkNodes<DrawingNode>(
    drawing.groups,
    (leaf, { map: own, around }) => {
      const opacity = around.reduce((product, { group }) => product * group.opacity, leaf.opacity);
      const [region] = outlinesIn<DrawingNode>([leaf], own);
      if (!region) return;
      fillRows(region, grid, (row, from, to) => {
        for (let x = from; x < to; x++) {
          const at = row * grid.columns + x;
          if ((fine[at] as number) < opacity) fine[at] = opacity;
        }
      });
    },
    { ...(map ? { map } : {}), shown: true },
  );
  for (let y = 0; y < grid.rows; y++) {
    const row = Math.min(rows - 1, Math.floor((y * rows) / grid.rows)) * columns;
    for (let x = 0; x < grid.columns; x++) {
      const at = row + Math.floor(x / FINE);
      cover[at] = (cover[at] as number) + (fine[y * grid.columns + x] as number);
    }
  }
  const points = (FINE * grid.rows) / rows;
  for (let at = 0; at < cover.length; at++) cover[at] = (cover[at] as number) / points;
  return { columns, rows, cover };
}
