import { z } from 'zod';
import type { Dress } from '../../color/dressings';
import type { Hex } from '../../color/hex';
import { colorKeySchema, hexSchema, swatchColor } from '../../color/palette';

/** What a part is painted with: a swatch of the palette, most often one of its roles, or a loose color where the designer insists. */
export const paintSchema = z.union([z.strictObject({ role: colorKeySchema }), z.strictObject({ hex: hexSchema })]);
export type Paint = z.infer<typeof paintSchema>;

/** The color a paint shows in a dressing; a swatch that the palette has no more shows as ink. */
export const colorOf = (paint: Paint, dress: Dress): Hex =>
  'role' in paint ? (swatchColor(dress.colors, paint.role) ?? dress.colors.ink) : (dress.loose ?? paint.hex);

const isPaint = (value: unknown): value is Paint => paintSchema.safeParse(value).success;

/** A copy of a value with every paint in it exchanged, wherever it stands under the name `paint`. */
export function mapPaints<T>(value: T, change: (paint: Paint) => Paint): T {
  const walk = (inner: unknown): unknown => {
    if (Array.isArray(inner)) return inner.map(walk);
    if (inner === null || typeof inner !== 'object') return inner;
    return Object.fromEntries(
      Object.entries(inner).map(([name, each]) => [name, name === 'paint' && isPaint(each) ? change(each) : walk(each)]),
    );
  };
  return walk(value) as T;
}
