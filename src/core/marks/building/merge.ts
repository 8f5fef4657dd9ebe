import type { KnownPart } from '../registry';

/** Fields that are one thing, however many numbers they hold. */
const WHOLE: ReadonlySet<string> = new Set(['place', 'paint', 'line', 'treatments', 'members']);

const isRecord = (value: unknown): value is Record<string, unknown> => value !== null && typeof value === 'object' && !Array.isArray(value);

/** Whether two plain values say the same, in whatever order their fields stand. */
export function same(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  if (Array.isArray(one) && Array.isArray(other))
    return one.length === other.length && one.every((each, index) => same(each, other[index]));
  if (!isRecord(one) || !isRecord(other)) return false;
  const names = new Set([...Object.keys(one), ...Object.keys(other)]);
  return [...names].every((name) => same(one[name], other[name]));
}

function mergedRecord<T extends object>(base: T, current: T, next: T): T {
  const names = new Set([...Object.keys(base), ...Object.keys(current), ...Object.keys(next)]);
  const fields = [...names].flatMap((name): readonly (readonly [string, unknown])[] => {
    const [before, here, then]: readonly unknown[] = [base, current, next].map((each): unknown => Reflect.get(each, name));
    const value = same(before, here)
      ? then
      : !WHOLE.has(name) && isRecord(before) && isRecord(here) && isRecord(then)
        ? mergedRecord(before, here, then)
        : here;
    return value === undefined ? [] : [[name, value]];
  });
  return Object.fromEntries(fields) as T;
}

/**
 * A part that was built, changed by hand and built anew: what was changed by hand stays, all else is as it is built now.
 * @source three-way merge, field by field
 */
export const merged = (base: KnownPart, current: KnownPart, next: KnownPart): KnownPart =>
  base.kind !== next.kind || current.kind !== next.kind ? next : mergedRecord<KnownPart>(base, current, next);
