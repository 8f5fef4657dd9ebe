import { PathPen } from '../../geometry';
import { chance } from '../../numeric/chance';
import { asInk, inkWanted } from './ink-wanted';
import type { Tracing } from '../tracing';
import type { TracedPicture, TracingWay } from './way';

const KAPPA = 0.5522847498;
/** Dots smaller than this share of their pitch are left out: they would not print. */
const LEAST = 0.08;
/** Most dots of one picture. */
const MOST = 20_000;

function drawDot(pen: PathPen, x: number, y: number, radius: number): void {
  const k = radius * KAPPA;
  pen
    .move(x + radius, y)
    .cubic(x + radius, y + k, x + k, y + radius, x, y + radius)
    .cubic(x - k, y + radius, x - radius, y + k, x - radius, y)
    .cubic(x - radius, y - k, x - k, y - radius, x, y - radius)
    .cubic(x + k, y - radius, x + radius, y - k, x + radius, y)
    .close();
}

/** A pitch at which there are not too many dots. */
const pitchOf = ({ columns, rows }: TracedPicture, { pitchPermille }: Tracing): number =>
  Math.max((pitchPermille / 1000) * Math.max(columns, rows), Math.sqrt((columns * rows) / MOST), 2);

/** Rows of round dots, the larger the darker. */
export const halftoneDots: TracingWay = {
  label: 'Halftone',
  says: 'Rows of round dots, larger where it is darker.',
  uses: ['pitchPermille', 'turnDeg', 'ink', 'smooth'],
  trace: (picture, tracing) => {
    const { columns, rows } = picture;
    const wanted = inkWanted(picture, tracing);
    const pitch = pitchOf(picture, tracing);
    const turn = (tracing.turnDeg * Math.PI) / 180;
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
    const half = Math.ceil(Math.hypot(columns, rows) / 2 / pitch);
    const pen = new PathPen();
    for (let v = -half; v <= half; v++)
      for (let u = -half; u <= half; u++) {
        const [x, y] = [columns / 2 + (u * cos - v * sin) * pitch, rows / 2 + (u * sin + v * cos) * pitch];
        // The ink of the cell as the mean of some places in it.
        let [sum, count] = [0, 0];
        for (let dy = -1; dy <= 1; dy++)
          for (let dx = -1; dx <= 1; dx++) {
            const [px, py] = [Math.floor(x + (dx * pitch) / 3), Math.floor(y + (dy * pitch) / 3)];
            if (px < 0 || py < 0 || px >= columns || py >= rows) continue;
            sum += wanted(py * columns + px);
            count++;
          }
        if (count === 0) continue;
        // A dot covers as much of its cell as the cell wants ink; from π/4 on dots touch and are held there.
        const radius = Math.min(0.707, Math.sqrt(sum / count / Math.PI)) * pitch;
        if (radius >= LEAST * pitch) drawDot(pen, x, y, radius);
      }
    return asInk(picture, tracing, pen.path(), 'nonzero');
  },
};

/** Equal dots, the closer the darker. */
export const stipple: TracingWay = {
  label: 'Stipple',
  says: 'Equal dots, closer where it is darker, as a pen sets them.',
  uses: ['pitchPermille', 'ink', 'smooth'],
  trace: (picture, tracing) => {
    const { columns, rows } = picture;
    const wanted = inkWanted(picture, tracing);
    const cell = pitchOf(picture, tracing) * 0.7;
    const [wide, high] = [Math.max(1, Math.floor(columns / cell)), Math.max(1, Math.floor(rows / cell))];
    const pen = new PathPen();
    // What a cell wants and does not get goes on to its neighbors: R. Floyd, L. Steinberg, Proc. SID 17, 1976; rows in turn left and right.
    let owed = new Float32Array(wide + 2);
    for (let v = 0; v < high; v++) {
      const next = new Float32Array(wide + 2);
      const forward = v % 2 === 0;
      for (let step = 0; step < wide; step++) {
        const u = forward ? step : wide - 1 - step;
        const [x, y] = [Math.floor(((u + 0.5) * columns) / wide), Math.floor(((v + 0.5) * rows) / high)];
        const want = 0.85 * wanted(y * columns + x) + (owed[u + 1] as number);
        const place = v * wide + u;
        const sets = want > 0.5 + 0.08 * chance(tracing.seed, place, 0);
        if (sets)
          drawDot(pen, x + chance(tracing.seed, place, 1) * 0.25 * cell, y + chance(tracing.seed, place, 2) * 0.25 * cell, cell * 0.42);
        const left = want - (sets ? 1 : 0);
        const on = forward ? 1 : -1;
        owed[u + 1 + on] = (owed[u + 1 + on] as number) + (left * 7) / 16;
        next[u + 1 - on] = (next[u + 1 - on] as number) + (left * 3) / 16;
        next[u + 1] = (next[u + 1] as number) + (left * 5) / 16;
        next[u + 1 + on] = (next[u + 1 + on] as number) + left / 16;
      }
      owed = next;
    }
    return asInk(picture, tracing, pen.path(), 'nonzero');
  },
};
