import { z } from 'zod';
import { partKinds, type KnownPart } from '../registry';
import { bareSchema, limitsInSchema, type NumberLimits } from './schema-numbers';

type Node = z.core.$ZodType;

/** The schema of what stands under a key, chosen by what the value is where there are several. */
function under(node: Node, key: string, value: unknown): Node | undefined {
  const inner = bareSchema(node);
  if (inner instanceof z.ZodArray) return inner.element;
  if (inner instanceof z.ZodObject) return (inner.shape as Readonly<Record<string, Node>>)[key];
  if (inner instanceof z.ZodUnion || inner instanceof z.ZodDiscriminatedUnion)
    for (const option of inner.options) if (z.safeParse(option, value).success) return under(option, key, value);
  return undefined;
}

const valueAt = (value: unknown, key: string): unknown =>
  value !== null && typeof value === 'object' ? (value as Readonly<Record<string, unknown>>)[key] : undefined;

/**
 * The limits of a number of a part, as its schema says them: the one place where they stand.
 * @param path from the part to the number: `line.around.insetPx`
 * @returns nothing where no number stands there
 */
export function numberLimits(part: KnownPart, path: string): NumberLimits | undefined {
  let node: Node | undefined = partKinds[part.kind].schema;
  let value: unknown = part;
  for (const key of path.split('.')) {
    node = node && under(node, key, value);
    value = valueAt(value, key);
  }
  return limitsInSchema(node);
}

/** The number of a part at a path; nothing where none stands there. */
export function numberAt(part: KnownPart, path: string): number | undefined {
  const value = path.split('.').reduce<unknown>(valueAt, part);
  return typeof value === 'number' ? value : undefined;
}

/** The change that puts another number at a path: of the part's field at its beginning, with all else in it as it was. */
export function withNumberAt(part: KnownPart, path: string, number: number): Readonly<Record<string, unknown>> {
  const put = (value: unknown, [key, ...rest]: readonly string[]): unknown => {
    if (key === undefined) return number;
    if (Array.isArray(value)) return value.map((each, index): unknown => (String(index) === key ? put(each, rest) : each));
    return { ...(value as object), [key]: put(valueAt(value, key), rest) };
  };
  const [field = '', ...rest] = path.split('.');
  return { [field]: put(valueAt(part, field), rest) };
}
