import { z } from 'zod';
import { isLittle } from '../../type';
import type { BuilderStart } from '../building/builder';

/** Whether “the”, “and” and their like give an initial of their own. */
export const littleWords = z.boolean().default(true);

export const LITTLE_WORDS = {
  type: 'tick',
  field: 'littleWords',
  label: 'Initials of little words',
  hint: 'Whether “the”, “and” and their like give a letter as well',
} as const;

/** Starts for a name: where it has little words, its initials are those of the others. */
export const withoutLittle = (name: string, starts: readonly BuilderStart[]): readonly BuilderStart[] =>
  name.split(/\s+/).some(isLittle) ? starts.map((start) => ({ ...start, numbers: { ...start.numbers, littleWords: false } })) : starts;
