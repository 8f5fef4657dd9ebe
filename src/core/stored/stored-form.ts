import type { z } from 'zod';
import { fail, ok, type Problem, type Result } from '../result/result';
import { problemsOf } from '../result/schema-problems';
import { mended } from './mended';

/** A document as it lies in the database, in a journal or on a clipboard: any version of it. */
export type Stored = Readonly<Record<string, unknown>>;

/** Leads one version of a stored form to the next; pure, and never asks what comes after. */
export type FormStep = (old: Stored) => Stored;

/** How one kind of document is stored: its version, what led there, and what it must look like now. */
export interface StoredForm<T> {
  /** As a sentence names it: “This palette”. */
  readonly label: string;
  /** From version 1 on, one step to each next version; the form that is written is one further than there are steps. */
  readonly steps: readonly FormStep[];
  readonly schema: z.ZodType<T>;
}

/** The version that this program writes. */
export const versionOf = ({ steps }: Pick<StoredForm<unknown>, 'steps'>): number => steps.length + 1;

const isStored = (input: unknown): input is Stored => input !== null && typeof input === 'object' && !Array.isArray(input);

/**
 * A stored document in today's version, its version taken off; what carries none is of version 1.
 * @returns a problem where it is no document, or was written by a newer program
 */
export function raised(form: Pick<StoredForm<unknown>, 'label' | 'steps'>, input: unknown): Result<Stored> {
  if (!isStored(input)) return fail({ code: 'invalid-type', message: `${form.label}: expected a document.` });
  const { version = 1, ...rest } = input;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return fail({ code: 'invalid-version', path: ['version'], message: '“version”: expected a whole number from 1 on.' });
  const newest = versionOf(form);
  if (version > newest)
    return fail({
      code: 'newer-version',
      message: `${form.label} was saved as version ${version} of its form; this program reads versions up to ${newest}.`,
      fix: 'Open it with the newer program.',
    });
  return ok(form.steps.slice(version - 1).reduce((old, step) => step(old), rest));
}

/** Reads a document that somebody wants to save: of any earlier version, but without a fault. */
export function accepted<T>(form: StoredForm<T>, input: unknown): Result<T> {
  const today = raised(form, input);
  if (!today.ok) return today;
  const parsed = form.schema.safeParse(today.value);
  return parsed.success ? ok(parsed.data) : fail(...problemsOf(parsed.error, today.value));
}

/**
 * Reads a document that was saved once: numbers and texts beyond limits that were tightened since are brought back within, what cannot be kept
 * is left out, and each is told. The stored row stays as it is.
 */
export function recovered<T>(form: StoredForm<T>, input: unknown): Result<{ readonly value: T; readonly mended: readonly Problem[] }> {
  const today = raised(form, input);
  return today.ok ? mended(form.schema, today.value, { drop: true }) : today;
}

/** A document as it is stored and sent, with the version that it is written in. */
export const writtenForm = <T extends object>(form: StoredForm<T>, value: T): Stored => ({ version: versionOf(form), ...value });
