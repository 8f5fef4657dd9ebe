/**
 * A number in [−1, 1] that depends on the seed, a place in a row and what it is for, and on nothing else.
 * @source Mulberry32 (T. Ettinger), a 32-bit mixer in the public domain
 */
export function chance(seed: number, index: number, what: number): number {
  let state = (Math.imul(seed + 1, 0x9e3779b1) ^ Math.imul(index + 1, 0x85ebca6b) ^ Math.imul(what + 1, 0xc2b2ae35)) >>> 0;
  state = (state + 0x6d2b79f5) >>> 0;
  let mixed = Math.imul(state ^ (state >>> 15), state | 1);
  mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
  return ((mixed ^ (mixed >>> 14)) >>> 0) / 2147483647.5 - 1;
}
