import { flatten } from './flatten';
import { PathPen, type Path } from './path';
import type { Point } from './point';

/** Dashes along an outline: how long they are, and the white between them. */
export interface Dashing {
  readonly dash: number;
  readonly gap: number;
}

/** Most dashes along one contour. */
const MOST_DASHES = 2000;

/**
 * The middle lines of dashes along closed contours, as open lines. Each contour holds a whole number of them: the white between them is made
 * wider or narrower by as little as that takes, the dashes keep their length.
 * @param fine largest distance between a curve and the chords that stand for it
 */
export function dashesAlong(path: Path, { dash, gap }: Dashing, fine = 0.05): Path {
  const pen = new PathPen();
  for (const polygon of flatten(path, fine)) {
    const sides = polygon.map((a, index) => ({ a, b: polygon[(index + 1) % polygon.length] ?? a }));
    const lengths = sides.map(({ a, b }) => Math.hypot(b.x - a.x, b.y - a.y));
    const length = lengths.reduce((sum, each) => sum + each, 0);
    const count = Math.min(MOST_DASHES, Math.round(length / (dash + gap)));
    if (count < 1 || length <= dash) continue;
    const pitch = length / count;
    let side = 0;
    let passed = 0;
    const placeAt = (way: number): Point => {
      while (side < sides.length - 1 && passed + (lengths[side] as number) < way) passed += lengths[side++] as number;
      const { a, b } = sides[side] as (typeof sides)[number];
      const t = (way - passed) / ((lengths[side] as number) || 1);
      return { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t };
    };
    for (let index = 0; index < count; index++) {
      const from = index * pitch;
      const to = from + Math.min(dash, pitch);
      const start = placeAt(from);
      pen.move(start.x, start.y);
      // Every corner between its ends belongs to the dash.
      while (side < sides.length - 1 && passed + (lengths[side] as number) < to) {
        passed += lengths[side++] as number;
        const { a } = sides[side] as (typeof sides)[number];
        pen.line(a.x, a.y);
      }
      const end = placeAt(to);
      pen.line(end.x, end.y);
    }
  }
  return pen.path();
}
