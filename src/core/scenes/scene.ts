import { z } from 'zod';
import { hexSchema } from '../color/palette';

/** How a mark is put on goods. */
export const PRINT_WAYS = ['paper', 'cloth', 'paint', 'foil', 'engraved', 'pressed'] as const;
export type PrintWay = (typeof PRINT_WAYS)[number];

/** What is said of a scene beside its layers. */
export const sceneSchema = z.strictObject({
  name: z.string().regex(/^[a-z0-9-]{1,40}$/),
  label: z.string().min(1).max(60),
  widthPx: z.number().int().min(16).max(8000),
  heightPx: z.number().int().min(16).max(8000),
  /** What may be printed, each with its size where it is flat. The first is printed unless another is asked for. */
  areas: z
    .array(
      z.strictObject({
        name: z.string().min(1).max(40),
        widthMm: z.number().positive(),
        heightMm: z.number().positive(),
        /** How much of its width is seen at once, where it runs around. */ shownMm: z.number().positive().exactOptional(),
      }),
    )
    .min(1)
    .max(8),
  /** The color of the goods and the way marks are put on, until a designer chooses. */
  start: z.strictObject({ color: hexSchema, way: z.enum(PRINT_WAYS) }),
  /** Drawn plainly, as screens show it: colors stay what they are, no light presses them together and no camera adds grain. */
  flat: z.literal(true).exactOptional(),
});
export type SceneFacts = z.infer<typeof sceneSchema>;

/** The most light that a layer holds; layers are gamma-encoded as sRGB after division by it. */
export const MOST_LIGHT = 1.6;
/** Places in a print area run from 0 to this. */
export const MOST_UV = 16383;

/** Where each pixel of a scene lies in a print area. */
export interface UvMap {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Print area from 1, 0 where there is none. */
  readonly area: Uint8Array;
  /** u and v of each pixel's center, from 0 to `MOST_UV`. */
  readonly uv: Uint16Array;
}

/**
 * Reads a UV picture: twice as wide as the scene, low bytes left and high bytes right, each place told by how far it is from what its neighbors let expect.
 * @param rgb three numbers a pixel
 */
export function readUvMap(rgb: Uint8Array, widthPx: number, heightPx: number): UvMap {
  const area = new Uint8Array(widthPx * heightPx);
  const uv = new Uint16Array(widthPx * heightPx * 2);
  for (let y = 0; y < heightPx; y++)
    for (let x = 0; x < widthPx; x++) {
      const at = y * widthPx + x;
      const [low, up] = [(y * widthPx * 2 + x) * 3, (y * widthPx * 2 + widthPx + x) * 3];
      const here = rgb[low + 2] as number;
      area[at] = here;
      if (here === 0) continue;
      const left = x > 0 && area[at - 1] === here;
      const above = y > 0 && area[at - widthPx] === here;
      const corner = x > 0 && y > 0 && area[at - widthPx - 1] === here;
      for (let k = 0; k < 2; k++) {
        const folded = (rgb[low + k] as number) | ((rgb[up + k] as number) << 8);
        const difference = (folded >>> 1) ^ -(folded & 1);
        const value = (q: number) => uv[q * 2 + k] as number;
        const expected =
          left && above && corner
            ? value(at - 1) + value(at - widthPx) - value(at - widthPx - 1)
            : left
              ? value(at - 1)
              : above
                ? value(at - widthPx)
                : 0;
        uv[at * 2 + k] = expected + difference;
      }
    }
  return { widthPx, heightPx, area, uv };
}

/** A scene at another size: each pixel takes the place of the one that it lies on. */
export function resizedUvMap(map: UvMap, widthPx: number, heightPx: number): UvMap {
  const area = new Uint8Array(widthPx * heightPx);
  const uv = new Uint16Array(widthPx * heightPx * 2);
  for (let y = 0; y < heightPx; y++) {
    const row = Math.min(map.heightPx - 1, Math.floor(((y + 0.5) * map.heightPx) / heightPx)) * map.widthPx;
    for (let x = 0; x < widthPx; x++) {
      const from = row + Math.min(map.widthPx - 1, Math.floor(((x + 0.5) * map.widthPx) / widthPx));
      const at = y * widthPx + x;
      area[at] = map.area[from] as number;
      uv[at * 2] = map.uv[from * 2] as number;
      uv[at * 2 + 1] = map.uv[from * 2 + 1] as number;
    }
  }
  return { widthPx, heightPx, area, uv };
}
