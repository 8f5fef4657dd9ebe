import { PathPen, type Path } from '../geometry';
import { QUARTER_HANDLE } from './ellipse';

/** A rectangle on its center; corners are quarter circles of `cornerPx`, at most half of the shorter side. */
export function rectangle(widthPx: number, heightPx: number, cornerPx: number): Path {
  const x = widthPx / 2;
  const y = heightPx / 2;
  const r = Math.min(Math.max(cornerPx, 0), x, y);
  if (r === 0) return new PathPen().move(-x, -y).line(x, -y).line(x, y).line(-x, y).close().path();
  const k = r * (1 - QUARTER_HANDLE);
  return new PathPen()
    .move(-x + r, -y)
    .line(x - r, -y)
    .cubic(x - k, -y, x, -y + k, x, -y + r)
    .line(x, y - r)
    .cubic(x, y - k, x - k, y, x - r, y)
    .line(-x + r, y)
    .cubic(-x + k, y, -x, y - k, -x, y - r)
    .line(-x, -y + r)
    .cubic(-x, -y + k, -x + k, -y, -x + r, -y)
    .close()
    .path();
}
