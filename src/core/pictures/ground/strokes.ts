import { z } from 'zod';

/** Most strokes on one picture, and most places along one. */
export const [MOST_STROKES, MOST_PLACES] = [200, 400];
const share = z.number().min(-0.2).max(1.2);

/** A stroke of the brush over a picture: what it covers is kept, or dropped, and what is like it along with it. */
export const strokeSchema = z.strictObject({
  as: z.enum(['keep', 'drop']),
  /** As shares of the picture's width and height. */
  points: z
    .array(z.tuple([share, share]))
    .min(1)
    .max(MOST_PLACES),
  /** Its width as a share of the longer side. */
  width: z.number().min(0.001).max(0.5),
  /** Whether only what it covers is meant, and not what is like it. */
  exact: z.boolean().default(false),
});
export type Stroke = z.infer<typeof strokeSchema>;
export const strokesSchema = z.array(strokeSchema).max(MOST_STROKES);

/** Calls `visit` with every pixel that a stroke covers. */
export function pixelsUnder({ points, width }: Stroke, columns: number, rows: number, visit: (index: number) => void): void {
  const radius = Math.max(0.5, (width * Math.max(columns, rows)) / 2);
  const places = points.map(([x, y]) => [x * columns, y * rows] as const);
  const dot = (x: number, y: number): void => {
    for (let py = Math.max(0, Math.floor(y - radius)); py <= Math.min(rows - 1, Math.floor(y + radius)); py++)
      for (let px = Math.max(0, Math.floor(x - radius)); px <= Math.min(columns - 1, Math.floor(x + radius)); px++)
        if ((px + 0.5 - x) ** 2 + (py + 0.5 - y) ** 2 <= radius * radius) visit(py * columns + px);
  };
  places.forEach(([x, y], index) => {
    const [fromX, fromY] = places[index - 1] ?? [x, y];
    const steps = Math.max(1, Math.ceil(Math.hypot(x - fromX, y - fromY) / Math.max(0.5, radius / 2)));
    for (let step = index === 0 ? steps : 1; step <= steps; step++)
      dot(fromX + ((x - fromX) * step) / steps, fromY + ((y - fromY) * step) / steps);
  });
}
