import type { Point } from '../geometry';
import { NOUGHT } from '../numeric/tolerances';

/** How the edge between two parts of a field runs. @source names: A. C. Fox-Davies, "A Complete Guide to Heraldry", 1909 (public domain) */
export const LINE_STYLES = ['straight', 'wavy', 'engrailed', 'invected', 'embattled', 'indented', 'nebuly'] as const;
export type LineStyle = (typeof LINE_STYLES)[number];

/** Points of one step of each style, from 0 to 1 along, and across in heights of a step: positive is to the left hand of the way on screen, that is, outward. */
const STEP: { readonly [S in Exclude<LineStyle, 'straight'>]: readonly (readonly [along: number, across: number])[] } = {
  wavy: Array.from({ length: 16 }, (_, index) => [index / 16, 0.5 * Math.sin((2 * Math.PI * index) / 16)] as const),
  // Engrailed: points outward, hollows inward; invected is the same seen from the other side.
  engrailed: Array.from({ length: 12 }, (_, index) => [index / 12, 0.5 - Math.sin((Math.PI * index) / 12)] as const),
  invected: Array.from({ length: 12 }, (_, index) => [index / 12, Math.sin((Math.PI * index) / 12) - 0.5] as const),
  embattled: [
    [0, -0.5],
    [0, 0.5],
    [0.5, 0.5],
    [0.5, -0.5],
  ],
  indented: [
    [0, -0.5],
    [0.5, 0.5],
  ],
  nebuly: Array.from({ length: 24 }, (_, index) => {
    const t = (2 * Math.PI * index) / 24;
    // Clouds that overhang: the wave is pushed along where it is highest.
    return [index / 24 - 0.11 * Math.sin(2 * t), 0.6 * Math.sin(t)] as const;
  }),
};

/**
 * The edge from one point to another in a style, its middle line the straight way: as much lies to one side as to the other.
 * @param step length of one step; the number of steps is a whole one
 * @returns points from the first to the last, both on the straight way
 */
export function edgeBetween(from: Point, to: Point, style: LineStyle, step: number): readonly Point[] {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const length = Math.hypot(dx, dy);
  if (style === 'straight' || length < NOUGHT) return [from, to];
  const steps = Math.max(2, Math.round(length / step));
  const own = length / steps;
  const [ux, uy] = [dx / length, dy / length];
  const height = own * 0.46;
  const points: Point[] = [from];
  for (let index = 0; index < steps; index++)
    for (const [along, across] of STEP[style]) {
      const a = (index + along) * own;
      const b = across * height;
      // The left hand of the way, where y grows downward, is (dy, −dx).
      points.push({ x: from.x + ux * a + uy * b, y: from.y + uy * a - ux * b });
    }
  points.push(to);
  return points;
}
