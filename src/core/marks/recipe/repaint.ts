import type { Paint } from '../drawing/paint';
import type { Part } from '../registry';
import type { Recipe } from './recipe';

/** A paint as a key: equal paints have equal keys. */
export const paintKey = (paint: Paint): string => ('role' in paint ? `role ${paint.role}` : `hex ${paint.hex}`);

const isPaint = (value: object): value is Paint => {
  const keys = Object.keys(value);
  return keys.length === 1 && (keys[0] === 'role' || keys[0] === 'hex') && typeof Object.values(value)[0] === 'string';
};

/** Calls `visit` with every paint in a value, however deep, and puts what it returns in its place; the same object where nothing changes. */
function mapPaints<T>(value: T, visit: (paint: Paint) => Paint): T {
  if (value === null || typeof value !== 'object') return value;
  if (Array.isArray(value)) {
    const mapped = value.map((each: unknown) => mapPaints(each, visit));
    return mapped.every((each, at) => each === value[at]) ? value : (mapped as T);
  }
  if (isPaint(value)) return visit(value) as T;
  const entries = Object.entries(value).map(([key, each]) => [key, mapPaints(each as unknown, visit)] as const);
  return entries.every(([key, each]) => each === (value as Record<string, unknown>)[key]) ? value : (Object.fromEntries(entries) as T);
}

/** Every paint that a recipe uses, in parts, letters, treatments and what is built, each once. */
export function paintsIn({ parts, whole }: Recipe): readonly Paint[] {
  const found = new Map<string, Paint>();
  mapPaints([parts.filter(({ kind }) => kind !== 'unknown'), whole], (paint) => {
    found.set(paintKey(paint), paint);
    return paint;
  });
  return [...found.values()];
}

/**
 * The recipe in other paints. Parts that are not understood stay as they are.
 * @param to by the key of the paint that is exchanged
 */
export function repainted(recipe: Recipe, to: ReadonlyMap<string, Paint>): Recipe {
  const visit = (paint: Paint): Paint => to.get(paintKey(paint)) ?? paint;
  const parts = recipe.parts.map((part): Part => (part.kind === 'unknown' ? part : mapPaints(part, visit)));
  const same = parts.every((part, at) => part === recipe.parts[at]);
  const whole = recipe.whole && mapPaints(recipe.whole, visit);
  if (same && whole === recipe.whole) return recipe;
  return { ...recipe, parts, ...(whole ? { whole } : {}) };
}
