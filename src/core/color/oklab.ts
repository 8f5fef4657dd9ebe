/** sRGB to linear light. @param part in [0, 1]. @source IEC 61966-2-1 */
export const linearOf = (part: number): number => (part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4);
/** Linear light of 8-bit sRGB. */
export const LINEAR_OF_BYTE = Float32Array.from({ length: 256 }, (_, value) => linearOf(value / 255));

/** OKLab of linear sRGB, for whole pictures: numbers in, numbers out. @source B. Ottosson, "A perceptual color space for image processing", 2020 */
export function oklabOfLinear(r: number, g: number, b: number): readonly [number, number, number] {
  const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
  const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
  const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
  return [
    0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
    1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
    0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
  ];
}
