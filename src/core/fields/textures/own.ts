import { z } from 'zod';
import { noise } from '../noise';
import type { Texture } from './texture';

/** Most cells along a side of a texture of one's own: finer than a grain nothing is worn. */
export const MOST_OWN_CELLS = 160;
/** Tones that differ by less than this, of 255, are one. */
export const LEAST_TONES = 8;

const bytesOf = (text: string): Uint8Array => Uint8Array.from(atob(text), (letter) => letter.charCodeAt(0));

/** A picture as a texture: how light it is, cell by cell, kept with what wears it. */
export const ownTextureSchema = z
  .strictObject({
    name: z.string().trim().min(1).max(120),
    columns: z.number().int().min(1).max(MOST_OWN_CELLS),
    rows: z.number().int().min(1).max(MOST_OWN_CELLS),
    /** A byte a cell, row by row, as base64: 0 is black. */
    tones: z
      .string()
      .max(40_000)
      .regex(/^[A-Za-z0-9+/]*={0,2}$/),
    /** Whether its light places are worn first, instead of its dark ones. */
    light: z.literal(true).exactOptional(),
  })
  .refine(({ columns, rows, tones }) => {
    try {
      return bytesOf(tones).length === columns * rows;
    } catch {
      return false;
    }
  }, 'Expected a byte for every cell');
export type OwnTexture = z.infer<typeof ownTextureSchema>;

/** A texture of one's own from the tones of a picture. @param tones a byte a cell, row by row @returns nothing where all of it is one tone */
export function ownTexture(name: string, columns: number, rows: number, tones: Uint8Array): OwnTexture | undefined {
  let [low, high] = [255, 0];
  for (const tone of tones) [low, high] = [Math.min(low, tone), Math.max(high, tone)];
  if (high - low < LEAST_TONES) return undefined;
  const text = btoa(tones.reduce((letters, tone) => letters + String.fromCharCode(tone), ''));
  return ownTextureSchema.parse({ name: name.trim().slice(0, 120) || 'texture', columns, rows, tones: text });
}

const read = new WeakMap<OwnTexture, Texture>();
/** Less than a tone's step: what is of one tone is worn here and there, not all at once. */
const UNEVEN = 0.012;

/** How soon places of a picture are worn, a grain a cell; beyond its edges it goes on mirrored. */
export function textureFrom(own: OwnTexture): Texture {
  const kept = read.get(own);
  if (kept) return kept;
  const { columns, rows } = own;
  const tones = bytesOf(own.tones);
  const mirrored = (at: number, count: number): number => {
    const around = ((at % (2 * count)) + 2 * count) % (2 * count);
    return around < count ? around : 2 * count - 1 - around;
  };
  const toneAt = (column: number, row: number) => tones[mirrored(row, rows) * columns + mirrored(column, columns)] as number;
  const texture: Texture = {
    label: own.name,
    hint: 'A picture of one’s own',
    cells: 2,
    at: (x, y, seed) => {
      // Another seed begins elsewhere in the picture.
      const [u, v] = [x + ((seed * 61.8) % columns), y + ((seed * 38.2) % rows)];
      const [column, row] = [Math.floor(u), Math.floor(v)];
      const [fx, fy] = [u - column, v - row];
      const above = toneAt(column, row) * (1 - fx) + toneAt(column + 1, row) * fx;
      const below = toneAt(column, row + 1) * (1 - fx) + toneAt(column + 1, row + 1) * fx;
      const tone = (above * (1 - fy) + below * fy) / 255;
      return (own.light ? tone : 1 - tone) + UNEVEN * noise(x * 0.8, y * 0.8, seed);
    },
  };
  read.set(own, texture);
  return texture;
}
