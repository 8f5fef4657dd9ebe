/** A number in [0, 1) that depends on three whole numbers and nothing else: an integer hash, so that every run makes the same bytes. */
export function hash(x: number, y: number, z = 0): number {
  let h = (Math.imul(x | 0, 0x27d4eb2d) ^ Math.imul(y | 0, 0x165667b1) ^ Math.imul(z | 0, 0x9e3779b1)) | 0;
  h = Math.imul(h ^ (h >>> 15), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
}

/** Smooth noise in [0, 1], one cell a unit: corners by hash, eased between. */
export function noise(x: number, y: number, z: number): number {
  const [i, j, k] = [Math.floor(x), Math.floor(y), Math.floor(z)];
  const ease = (t: number) => t * t * (3 - 2 * t);
  const [u, v, w] = [ease(x - i), ease(y - j), ease(z - k)];
  const row = (b: number, c: number) => {
    const a = hash(i, j + b, k + c);
    return a + (hash(i + 1, j + b, k + c) - a) * u;
  };
  const near = row(0, 0) + (row(1, 0) - row(0, 0)) * v;
  const far = row(0, 1) + (row(1, 1) - row(0, 1)) * v;
  return near + (far - near) * w;
}

/** Noise at several scales, each half as strong as the one before; in [0, 1]. */
export function layered(x: number, y: number, z: number, octaves = 4): number {
  let [sum, weight, total] = [0, 1, 0];
  for (let n = 0; n < octaves; n++) {
    sum += noise(x, y, z) * weight;
    total += weight;
    weight *= 0.5;
    [x, y, z] = [x * 2.03 + 17.1, y * 2.03 + 3.7, z * 2.03 + 9.2];
  }
  return sum / total;
}
