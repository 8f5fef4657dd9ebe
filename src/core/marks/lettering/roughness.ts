import { chance } from '../../numeric/chance';
import type { Roughness } from './schema';

/** What chance does to one letter; shifts in 1/1000 em, size as a factor. */
export interface Jitter {
  readonly turnDeg: number;
  readonly x: number;
  readonly y: number;
  readonly size: number;
}

/** Small turns, shifts and sizes as a hand would make them; the same seed always gives the same hand. */
export const jitter = ({ seed, turnDeg, shiftPermille, sizePercent }: Roughness, index: number): Jitter => ({
  turnDeg: turnDeg * chance(seed, index, 0),
  x: shiftPermille * chance(seed, index, 1),
  y: shiftPermille * chance(seed, index, 2),
  size: 1 + (sizePercent / 100) * chance(seed, index, 3),
});
