import { LINEAR_OF_BYTE, oklabOfLinear } from '../../color/oklab';
import type { Corner } from '../homography';
import { softened } from './photo-light';

/** Shade changes lightness far more than hue: so much may each differ, at a spread of 1. */
const [LIGHT_APART, HUE_APART] = [0.3, 0.035];
/** An edge: neighbors that differ by more than this end the area, at a spread of 1. */
const STEP = 0.06;
/** Around each place that was chosen, colors of so many pixels count. */
const AROUND = 3;

/**
 * What is alike and connected around chosen places of a picture: cloth with its folds, without what lies beside it.
 * @param rgb gamma-encoded sRGB, three numbers a pixel
 * @param at places as shares of the picture
 * @param spread how far it spreads to what is alike; 1 is usual
 * @returns how much each pixel belongs to it, in [0, 1], with an edge about two pixels soft
 */
export function colorArea(rgb: Uint8Array, wide: number, high: number, at: readonly Corner[], spread: number): Float32Array {
  const colors = Array.from({ length: wide * high }, (_, n) =>
    oklabOfLinear(
      LINEAR_OF_BYTE[rgb[n * 3] as number] as number,
      LINEAR_OF_BYTE[rgb[n * 3 + 1] as number] as number,
      LINEAR_OF_BYTE[rgb[n * 3 + 2] as number] as number,
    ),
  );
  const within = new Float32Array(wide * high);
  for (const place of at) {
    const [cx, cy] = [Math.floor(place.x * wide), Math.floor(place.y * high)];
    if (cx < 0 || cy < 0 || cx >= wide || cy >= high) continue;
    const mean = [0, 0, 0];
    let count = 0;
    for (let y = Math.max(0, cy - AROUND); y <= Math.min(high - 1, cy + AROUND); y++)
      for (let x = Math.max(0, cx - AROUND); x <= Math.min(wide - 1, cx + AROUND); x++, count++)
        (colors[y * wide + x] as readonly number[]).forEach((part, k) => (mean[k] = (mean[k] as number) + part));
    const [L, A, B] = mean.map((sum) => sum / count) as [number, number, number];
    const alike = (n: number) => {
      const [l, a, b] = colors[n] as readonly [number, number, number];
      return ((l - L) / (LIGHT_APART * spread)) ** 2 + ((a - A) ** 2 + (b - B) ** 2) / (HUE_APART * spread) ** 2 < 1;
    };
    const apart = (n: number, m: number) => {
      const [p, q] = [colors[n] as readonly number[], colors[m] as readonly number[]];
      return Math.hypot(
        (p[0] as number) - (q[0] as number),
        3 * ((p[1] as number) - (q[1] as number)),
        3 * ((p[2] as number) - (q[2] as number)),
      );
    };
    const seen = new Uint8Array(wide * high);
    const stack = [cy * wide + cx];
    seen[stack[0] as number] = 1;
    for (let n = stack.pop(); n !== undefined; n = stack.pop()) {
      within[n] = 1;
      const x = n % wide;
      const around = [x > 0 ? n - 1 : -1, x + 1 < wide ? n + 1 : -1, n - wide, n + wide < wide * high ? n + wide : -1];
      for (const next of around)
        if (next >= 0 && seen[next] === 0 && alike(next) && apart(n, next) < STEP * spread) {
          seen[next] = 1;
          stack.push(next);
        }
    }
  }
  return softened(closed(within, wide, high), wide, high, 0.8);
}

/** Specks that the area ran around are filled: of the eight around them at least five belong to it; twice. */
function closed(within: Float32Array, wide: number, high: number): Float32Array {
  let from = within;
  for (let round = 0; round < 2; round++) {
    const into = Float32Array.from(from);
    for (let y = 1; y < high - 1; y++)
      for (let x = 1; x < wide - 1; x++) {
        const n = y * wide + x;
        if (from[n] !== 0) continue;
        let count = 0;
        for (let dy = -1; dy <= 1; dy++) for (let dx = -1; dx <= 1; dx++) count += from[n + dy * wide + dx] as number;
        if (count >= 5) into[n] = 1;
      }
    from = into;
  }
  return from;
}
