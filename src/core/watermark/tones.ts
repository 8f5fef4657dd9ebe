/** A picture as its watermark sees it: how light each cell is and how busy, over a small grid. */
export interface PhotoTones {
  readonly columns: number;
  readonly rows: number;
  /** Mean lightness of each cell: CIE L* of its linear mean, in [0, 100]. */
  readonly light: readonly number[] | Float32Array;
  /** How much lightness differs within each cell: standard deviation of L*. */
  readonly busy: readonly number[] | Float32Array;
}

/** Cells along the longer side. */
export const TONE_CELLS = 96;

const LINEAR = Float64Array.from({ length: 256 }, (_, value) => {
  const part = value / 255;
  return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
});

/** Lightness of a relative luminance. @source CIE 15, L*; W3C CSS Color 4, section 9 */
export const lightnessOf = (luminance: number): number =>
  luminance > 216 / 24389 ? 116 * Math.cbrt(luminance) - 16 : (24389 / 27) * luminance;
/** Relative luminance of a lightness, the other way round. */
export const luminanceOf = (lightness: number): number => (lightness > 8 ? ((lightness + 16) / 116) ** 3 : (lightness * 27) / 24389);

/** The relative luminance of an 8-bit sRGB pixel. @source W3C WCAG 2.2, "relative luminance" */
export const pixelLuminance = (r: number, g: number, b: number): number =>
  0.2126 * (LINEAR[r] as number) + 0.7152 * (LINEAR[g] as number) + 0.0722 * (LINEAR[b] as number);

/**
 * Reads the tones of a picture.
 * @param rgb opaque 8-bit sRGB, three numbers a pixel, row by row; about ten pixels along each cell are plenty
 */
export function photoTones(rgb: Uint8Array, wide: number, high: number): PhotoTones {
  const cell = Math.max(wide, high) / Math.min(TONE_CELLS, Math.max(wide, high));
  const [columns, rows] = [Math.max(1, Math.round(wide / cell)), Math.max(1, Math.round(high / cell))];
  const [sum, squares, linear, count] = [0, 1, 2, 3].map(() => new Float64Array(columns * rows)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  for (let y = 0; y < high; y++) {
    const row = Math.min(rows - 1, Math.floor((y * rows) / high)) * columns;
    for (let x = 0; x < wide; x++) {
      const at = row + Math.min(columns - 1, Math.floor((x * columns) / wide));
      const pixel = (y * wide + x) * 3;
      const luminance = pixelLuminance(rgb[pixel] as number, rgb[pixel + 1] as number, rgb[pixel + 2] as number);
      const lightness = lightnessOf(luminance);
      sum[at] = (sum[at] as number) + lightness;
      squares[at] = (squares[at] as number) + lightness * lightness;
      linear[at] = (linear[at] as number) + luminance;
      count[at] = (count[at] as number) + 1;
    }
  }
  const light = Float32Array.from(linear, (value, at) => lightnessOf(value / Math.max(1, count[at] as number)));
  const busy = Float32Array.from(squares, (value, at) => {
    const n = Math.max(1, count[at] as number);
    return Math.sqrt(Math.max(0, value / n - ((sum[at] as number) / n) ** 2));
  });
  return { columns, rows, light, busy };
}

/** Tones packed to two bytes a cell, lightness and busyness in halves of a step, and back. */
export const packTones = ({
  columns,
  rows,
  light,
  busy,
}: PhotoTones): { readonly columns: number; readonly rows: number; readonly bytes: Uint8Array } => ({
  columns,
  rows,
  bytes: Uint8Array.from({ length: columns * rows * 2 }, (_, at) =>
    Math.min(255, Math.round(2 * (((at % 2 ? busy : light)[at >> 1] as number) ?? 0))),
  ),
});
export const unpackTones = (columns: number, rows: number, bytes: Uint8Array): PhotoTones => ({
  columns,
  rows,
  light: Float32Array.from({ length: columns * rows }, (_, at) => (bytes[at * 2] ?? 0) / 2),
  busy: Float32Array.from({ length: columns * rows }, (_, at) => (bytes[at * 2 + 1] ?? 0) / 2),
});
