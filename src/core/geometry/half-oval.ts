import type { FreePoint } from './free-curve';

/** Handle of a quarter circle of radius 1 that meets it at both ends and in the middle; it is off by 2.7e-4 at most. @source common practice */
const KAPPA = 0.5522847498;

/**
 * Length of half an ellipse.
 * @param a half its width @param b half its height
 * @source S. Ramanujan, “Modular equations and approximations to π”, 1914, the second approximation: off by less than 1e-7 of it while neither half-axis
 * is under half of the other
 */
export function halfOvalLength(a: number, b: number): number {
  const h = ((a - b) / (a + b)) ** 2;
  return (Math.PI / 2) * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)));
}

/**
 * Half an ellipse about the origin, from left to right.
 * @param side -1 over the top, 1 along the foot
 */
export const halfOval = (a: number, b: number, side: -1 | 1): readonly FreePoint[] => [
  { x: -a, y: 0, inX: 0, inY: 0, outX: 0, outY: side * b * KAPPA },
  { x: 0, y: side * b, inX: -a * KAPPA, inY: 0, outX: a * KAPPA, outY: 0 },
  { x: a, y: 0, inX: 0, inY: side * b * KAPPA, outX: 0, outY: 0 },
];
