import { between, fieldOutline, gaussian } from '../../fields';
import type { CellGrid } from '../../geometry';
import { asInk, inkWanted } from './ink-wanted';
import type { TracedPicture, TracingWay } from './way';

/** Cells from one line to the next, at least; on the longer side, at most. */
const [CELLS_A_LINE, MOST_CELLS] = [8, 900];
/** Lines are drawn this far apart at least, in the picture's pixels, and at most so many of them. */
const [LEAST_PITCH, MOST_LINES] = [2, 100];
/** No line is thinner than this share of the pitch; what wants less than a third of that has none. */
const THINNEST = 0.09;
/** More ink than this is laid on by a second row of lines. */
const CROSSED_FROM = 0.6;
/** The second row runs at this angle to the first. */
const CROSSED_BY_DEG = 62;
/** How far light and dark bend the lines, in pitches from black to white; over so many pitches tones are smoothed first. */
const [BEND, SMOOTHED] = [2.6, 1.6];
/** Edges are held to so many cells; specks of less than this share of a squared pitch are left out. */
const [WITHIN_CELLS, SPECK] = [0.4, 0.06];

/** 0 on the middle of a line, 1 between two. */
const fromLine = (phase: number): number => Math.abs(phase - Math.floor(phase) - 0.5) * 2;

/** The numbers of a field on the picture's own pixels. */
const onPixels = ({ columns, rows }: TracedPicture): CellGrid => ({ columns, rows, left: 0, top: 0, cell: 1 });

/**
 * Lines that swell where it is darker and bend with the light, crossed by a second row in the darks: on the whole they cover what the picture wants.
 * @source line art from tones: a threshold on the phase of a bent field, as `etchedLines` (after D. Ostromoukhov, SIGGRAPH 1999) does by height; two
 * rows cover 1 − (1 − a)(1 − b)
 */
export const engraved: TracingWay = {
  label: 'Engraving',
  says: 'Lines that swell where it is darker and bend with the light, as an engraver cuts them.',
  uses: ['pitchPermille', 'turnDeg', 'ink', 'smooth'],
  trace: (picture, tracing) => {
    const { columns, rows } = picture;
    const longest = Math.max(columns, rows);
    const pitch = Math.max((tracing.pitchPermille / 1000) * longest, longest / MOST_LINES, LEAST_PITCH);
    const cell = Math.max(Math.min(1, pitch / CELLS_A_LINE), longest / MOST_CELLS);
    const want = inkWanted(picture, tracing);
    const ink = Float32Array.from(picture.gray, (_, index) => want(index));
    const form = gaussian(ink, columns, rows, SMOOTHED * pitch);
    // A cell all around is clear, so that lines end with the picture.
    const grid: CellGrid = { columns: Math.ceil(columns / cell) + 2, rows: Math.ceil(rows / cell) + 2, left: -cell, top: -cell, cell };
    const values = new Float32Array(grid.columns * grid.rows).fill(-1);
    const turn = (tracing.turnDeg * Math.PI) / 180;
    const across = [turn, turn + (CROSSED_BY_DEG * Math.PI) / 180].map((angle) => [-Math.sin(angle), Math.cos(angle)] as const);
    for (let row = 1; row < grid.rows - 1; row++)
      for (let column = 1; column < grid.columns - 1; column++) {
        const [x, y] = [grid.left + (column + 0.5) * cell, grid.top + (row + 0.5) * cell];
        if (x >= columns || y >= rows) continue;
        const wanted = between(ink, onPixels(picture), x - 0.5, y - 0.5);
        if (wanted < THINNEST / 3) continue;
        const bent = BEND * between(form, onPixels(picture), x - 0.5, y - 0.5);
        const shares = [
          Math.max(THINNEST, Math.min(wanted, CROSSED_FROM)),
          // What the first row leaves open of it.
          wanted > CROSSED_FROM ? 1 - (1 - wanted) / (1 - CROSSED_FROM) : 0,
        ];
        shares.forEach((share, way) => {
          const [ax, ay] = across[way] as readonly [number, number];
          if (way > 0 && share < THINNEST / 3) return;
          const inside = Math.max(share, way > 0 ? THINNEST : 0) - fromLine((x * ax + y * ay) / pitch + bent);
          const at = row * grid.columns + column;
          if (inside > (values[at] as number)) values[at] = inside;
        });
      }
    const { path, rule } = fieldOutline(values, grid, WITHIN_CELLS, SPECK * (pitch / cell) ** 2);
    return asInk(picture, tracing, path, rule);
  },
};
