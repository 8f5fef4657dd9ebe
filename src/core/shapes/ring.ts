import { joinPaths, mapPath, scaling, type Path } from '../geometry';
import { ellipse } from './ellipse';

/** An ellipse with a hole that leaves a band of even thickness; the hole runs the other way, so both fill rules agree. */
export function ring(widthPx: number, heightPx: number, bandPx: number): Path {
  const innerWidth = widthPx - 2 * bandPx;
  const innerHeight = heightPx - 2 * bandPx;
  const outer = ellipse(widthPx, heightPx);
  if (innerWidth <= 0 || innerHeight <= 0) return outer;
  return joinPaths([outer, mapPath(ellipse(innerWidth, innerHeight), scaling(1, -1))]);
}
