import type { Point } from './point';

/**
 * An affine map in the order of SVG's `matrix(a b c d e f)`: x′ = a·x + c·y + e, y′ = b·x + d·y + f.
 * @source W3C SVG 2, 8.5 "The transform property"
 */
export interface Affine {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
  readonly e: number;
  readonly f: number;
}

export const IDENTITY: Affine = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };

export const translation = (x: number, y: number): Affine => ({ ...IDENTITY, e: x, f: y });

export const scaling = (x: number, y: number = x): Affine => ({ ...IDENTITY, a: x, d: y });

/** Turns by degrees, clockwise on screen, about the origin. Quarter turns are exact. */
export function rotation(angleDeg: number): Affine {
  const turn = ((angleDeg % 360) + 360) % 360;
  const quarter =
    turn % 90 === 0
      ? (
          [
            [1, 0],
            [0, 1],
            [-1, 0],
            [0, -1],
          ] as const
        )[turn / 90]
      : undefined;
  const [cos, sin] = quarter ?? [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
  return { a: cos, b: sin, c: -sin, d: cos, e: 0, f: 0 };
}

/** `compose(second, first)`: the map that does `first`, then `second`. */
export const compose = (second: Affine, first: Affine): Affine => ({
  a: second.a * first.a + second.c * first.b,
  b: second.b * first.a + second.d * first.b,
  c: second.a * first.c + second.c * first.d,
  d: second.b * first.c + second.d * first.d,
  e: second.a * first.e + second.c * first.f + second.e,
  f: second.b * first.e + second.d * first.f + second.f,
});

export const apply = (map: Affine, point: Point): Point => ({
  x: map.a * point.x + map.c * point.y + map.e,
  y: map.b * point.x + map.d * point.y + map.f,
});

/** The map that undoes a map; nothing for one that flattens the plane. */
export function invert(map: Affine): Affine | undefined {
  const determinant = map.a * map.d - map.b * map.c;
  if (determinant === 0 || !Number.isFinite(determinant)) return undefined;
  const [a, b, c, d] = [map.d / determinant, -map.b / determinant, -map.c / determinant, map.a / determinant];
  return { a, b, c, d, e: -(a * map.e + c * map.f), f: -(b * map.e + d * map.f) };
}

export const isIdentity = (map: Affine): boolean => map.a === 1 && map.b === 0 && map.c === 0 && map.d === 1 && map.e === 0 && map.f === 0;
