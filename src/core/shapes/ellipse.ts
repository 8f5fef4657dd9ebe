import { PathPen, type Path } from '../geometry';

/** Length of a quarter circle's cubic handles for radius 1; largest radial error 0.0273 %. @source 4/3·(√2 − 1), see docs/architecture.md, "Geometry" */
export const QUARTER_HANDLE = (4 / 3) * (Math.SQRT2 - 1);

/** An ellipse on its center, from four cubics, clockwise on screen from its rightmost point. */
export function ellipse(widthPx: number, heightPx: number): Path {
  const rx = widthPx / 2;
  const ry = heightPx / 2;
  const kx = rx * QUARTER_HANDLE;
  const ky = ry * QUARTER_HANDLE;
  return new PathPen()
    .move(rx, 0)
    .cubic(rx, ky, kx, ry, 0, ry)
    .cubic(-kx, ry, -rx, ky, -rx, 0)
    .cubic(-rx, -ky, -kx, -ry, 0, -ry)
    .cubic(kx, -ry, rx, -ky, rx, 0)
    .close()
    .path();
}
