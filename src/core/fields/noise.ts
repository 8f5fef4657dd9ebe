/** A number in [0, 1) for a place of a lattice and a seed. @source M. Steele and others, SplitMix64's mixer in 32 bits */
export function hash(x: number, y: number, seed: number): number {
  let h = (Math.imul(x, 0x27d4eb2d) ^ Math.imul(y, 0x165667b1) ^ Math.imul(seed + 1, 0x9e3779b1)) >>> 0;
  h = Math.imul(h ^ (h >>> 15), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
}

const fade = (t: number): number => t * t * t * (t * (t * 6 - 15) + 10);

/** Smooth noise in [0, 1], one bump a unit. @source K. Perlin, "Improving noise", 2002: its fade curve, between values of a lattice */
export function noise(x: number, y: number, seed: number): number {
  const [x0, y0] = [Math.floor(x), Math.floor(y)];
  const [u, v] = [fade(x - x0), fade(y - y0)];
  const top = hash(x0, y0, seed) * (1 - u) + hash(x0 + 1, y0, seed) * u;
  const bottom = hash(x0, y0 + 1, seed) * (1 - u) + hash(x0 + 1, y0 + 1, seed) * u;
  return top * (1 - v) + bottom * v;
}

/** Noise at several sizes, each half as large and half as strong as the one before. @source B. Mandelbrot, fractional Brownian motion */
export function layered(x: number, y: number, seed: number, octaves: number): number {
  let [sum, weight, total] = [0, 1, 0];
  for (let n = 0; n < octaves; n++) {
    sum += weight * noise(x * 2 ** n, y * 2 ** n, seed + n * 101);
    total += weight;
    weight /= 2;
  }
  return sum / total;
}

/** Distances to the nearest and the second nearest of points strewn one to each unit square. @source S. Worley, "A cellular texture basis function", 1996 */
export function strewn(x: number, y: number, seed: number): readonly [nearest: number, second: number, id: number] {
  const [cx, cy] = [Math.floor(x), Math.floor(y)];
  let [first, second, id] = [9, 9, 0];
  for (let j = -1; j <= 1; j++)
    for (let i = -1; i <= 1; i++) {
      const [a, b] = [cx + i, cy + j];
      const away = Math.hypot(a + hash(a, b, seed) - x, b + hash(a, b, seed + 57) - y);
      if (away < first) [first, second, id] = [away, first, hash(a, b, seed + 113)];
      else if (away < second) second = away;
    }
  return [first, second, id];
}
