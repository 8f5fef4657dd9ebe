import { hash } from '../../fields/noise';

/** What differs from one picture of a motif to the next; the same seed gives the same again. */
export interface Vary {
  readonly between: (least: number, most: number) => number;
  readonly pick: <T>(from: readonly T[]) => T;
  readonly often: (share: number) => boolean;
}

export function vary(seed: number): Vary {
  let drawn = 0;
  const next = () => hash(++drawn, 977, seed);
  return {
    between: (least, most) => least + (most - least) * next(),
    pick: <T>(from: readonly T[]) => from[Math.floor(next() * from.length)] as T,
    often: (share) => next() < share,
  };
}
