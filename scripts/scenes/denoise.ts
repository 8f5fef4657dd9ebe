/**
 * Takes the noise out of light by five passes of a wavelet that stops at edges of the surface (its normal and its place) and of the light itself.
 * @source H. Dammertz et al., "Edge-Avoiding À-Trous Wavelet Transform for fast Global Illumination Filtering", 2010
 * @param light three channels a pixel, already divided by its share of the pixel
 * @param guide six numbers a pixel: normal and place in centimeters
 * @param reach how far apart two places may lie for each to count, in centimeters for every pixel between them
 */
export function denoise(
  light: Float32Array,
  guide: Float32Array,
  cover: Float32Array,
  wide: number,
  high: number,
  { reach, tone, passes = 5 }: { readonly reach: number; readonly tone: number; readonly passes?: number },
): Float32Array {
  const kernel = [1 / 16, 1 / 4, 3 / 8, 1 / 4, 1 / 16];
  let from = Float32Array.from(light);
  let to = new Float32Array(light.length);
  for (let pass = 0; pass < passes; pass++) {
    const step = 1 << pass;
    const dull = 1 / (tone * 0.62 ** pass + 1e-4);
    for (let y = 0; y < high; y++)
      for (let x = 0; x < wide; x++) {
        const at = y * wide + x;
        if ((cover[at] as number) <= 0) continue;
        const g = at * 6;
        const [nx, ny, nz] = [guide[g] as number, guide[g + 1] as number, guide[g + 2] as number];
        const [px, py, pz] = [guide[g + 3] as number, guide[g + 4] as number, guide[g + 5] as number];
        const [r, gr, b] = [from[at * 3] as number, from[at * 3 + 1] as number, from[at * 3 + 2] as number];
        const level = 0.3 * r + 0.6 * gr + 0.1 * b;
        let [sr, sg, sb, total] = [0, 0, 0, 0];
        for (let j = -2; j <= 2; j++) {
          const yy = y + j * step;
          if (yy < 0 || yy >= high) continue;
          for (let i = -2; i <= 2; i++) {
            const xx = x + i * step;
            if (xx < 0 || xx >= wide) continue;
            const q = yy * wide + xx;
            const share = cover[q] as number;
            if (share <= 0) continue;
            const h = q * 6;
            let facing = nx * (guide[h] as number) + ny * (guide[h + 1] as number) + nz * (guide[h + 2] as number);
            if (facing <= 0.5) continue;
            // Only what lies off the surface's own plane counts as away.
            const away = Math.abs(
              nx * ((guide[h + 3] as number) - px) + ny * ((guide[h + 4] as number) - py) + nz * ((guide[h + 5] as number) - pz),
            );
            facing *= facing;
            facing *= facing;
            facing *= facing;
            const qr = from[q * 3] as number;
            const qg = from[q * 3 + 1] as number;
            const qb = from[q * 3 + 2] as number;
            const lighter = Math.abs(0.3 * qr + 0.6 * qg + 0.1 * qb - level) / (level + 0.08);
            const weight =
              (kernel[i + 2] as number) *
              (kernel[j + 2] as number) *
              Math.min(1, share * 2) *
              facing *
              Math.exp(-away / (reach * step * 2) - lighter * lighter * dull);
            sr += qr * weight;
            sg += qg * weight;
            sb += qb * weight;
            total += weight;
          }
        }
        if (total > 0) {
          to[at * 3] = sr / total;
          to[at * 3 + 1] = sg / total;
          to[at * 3 + 2] = sb / total;
        } else {
          to[at * 3] = r;
          to[at * 3 + 1] = gr;
          to[at * 3 + 2] = b;
        }
      }
    [from, to] = [to, from];
  }
  return from;
}
