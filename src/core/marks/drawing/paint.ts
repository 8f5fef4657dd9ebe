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

const isPaint = (value: object): value is Paint => {
  const keys = Object.keys(value);
  return keys.length === 1 && (keys[0] === 'role' || keys[0] === 'hex') && typeof Object.values(value)[0] === 'string';
};

/** Calls `visit` with every paint in a value, however deep and by whatever name, and puts what it returns in its place; the same object where nothing changes. */
export function mapPaints<T>(value: T, visit: (paint: Paint) => Paint): T {
  if (value === null || typeof value !== 'object') return value;
  if (Array.isArray(value)) {
    const mapped = value.map((each: unknown) => mapPaints(each, visit));
    return mapped.every((each, at) => each === value[at]) ? value : (mapped as T);
  }
  if (isPaint(value)) return visit(value) as T;
  const entries = Object.entries(value).map(([key, each]) => [key, mapPaints(each as unknown, visit)] as const);
  return entries.every(([key, each]) => each === (value as Record<string, unknown>)[key]) ? value : (Object.fromEntries(entries) as T);
}
