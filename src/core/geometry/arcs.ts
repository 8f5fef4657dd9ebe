import type { PathPen } from './path';
import { NOUGHT } from '../numeric/tolerances';

/** Most of a circle that one cubic stands for; its radial error is then below 4 millionths of the radius. */
const MOST_PER_CUBIC = Math.PI / 4;

/**
 * Goes on along a circle with cubics; the pen stands at its beginning already.
 * @param from direction from the center to the beginning, in radians, clockwise on screen from the x axis; @param by how far it turns
 * @source handles of 4/3·tan(a/4) of the radius for an arc of angle a
 */
export function arcOn(pen: PathPen, cx: number, cy: number, rx: number, ry: number, from: number, by: number): PathPen {
  const pieces = Math.max(1, Math.ceil(Math.abs(by) / MOST_PER_CUBIC - NOUGHT));
  const step = by / pieces;
  const k = (4 / 3) * Math.tan(step / 4);
  for (let i = 0; i < pieces; i++) {
    const [a, b] = [from + i * step, from + (i + 1) * step];
    const [ca, sa, cb, sb] = [Math.cos(a), Math.sin(a), Math.cos(b), Math.sin(b)];
    pen.cubic(
      cx + rx * (ca - k * sa),
      cy + ry * (sa + k * ca),
      cx + rx * (cb + k * sb),
      cy + ry * (sb - k * cb),
      cx + rx * cb,
      cy + ry * sb,
    );
  }
  return pen;
}
