/** The middle value; of an even count, the mean of the two in the middle. Undefined for no values. */
export function median(values: readonly number[]): number | undefined {
  if (values.length === 0) return undefined;
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half] : ((sorted[half - 1] as number) + (sorted[half] as number)) / 2;
}

export const mean = (values: readonly number[]): number | undefined =>
  values.length === 0 ? undefined : values.reduce((sum, value) => sum + value, 0) / values.length;

/** Standard deviation ÷ mean, of a population; 0 for values all alike. */
export function variation(values: readonly number[]): number | undefined {
  const middle = mean(values);
  if (middle === undefined || middle === 0) return undefined;
  return Math.sqrt(mean(values.map((value) => (value - middle) ** 2)) ?? 0) / Math.abs(middle);
}

/** Evenly spaced values from `from` to `to`, ends included. */
export const steps = (from: number, to: number, count: number): readonly number[] =>
  Array.from({ length: count }, (_, index) => from + ((to - from) * index) / (count - 1));

/** The values that are there. */
export const present = <T>(values: readonly (T | undefined)[]): readonly T[] => values.filter((value): value is T => value !== undefined);
