import { z } from 'zod';

/** What a number may be. */
export interface NumberLimits {
  readonly min: number;
  readonly max: number;
  /** Whether it counts something. */
  readonly whole: boolean;
}

type Node = z.core.$ZodType;

/** A schema without what only says that a value may be left out. */
export function bareSchema(node: Node): Node {
  let inner = node;
  while (inner instanceof z.ZodDefault || inner instanceof z.ZodNullable || inner instanceof z.ZodOptional) inner = inner.unwrap();
  return inner;
}

/** The limits that a schema sets to a number; nothing where it is of something else. */
export function limitsInSchema(node: Node | undefined): NumberLimits | undefined {
  const number = node && bareSchema(node);
  if (!(number instanceof z.ZodNumber)) return undefined;
  return { min: number.minValue ?? -Infinity, max: number.maxValue ?? Infinity, whole: number.isInt };
}
