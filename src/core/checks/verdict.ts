/** What a check says of a proof. */
export const VERDICTS = ['passes', 'look', 'fails'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** A verdict always comes with its number. */
export interface Finding {
  readonly verdict: Verdict;
  /** The number, as it is shown. */
  readonly figure: string;
  /** What it means, in a sentence. */
  readonly says: string;
}

/** Higher is better: fails below one limit, needs a look below the other. */
export const judge = (value: number, failsBelow: number, looksBelow: number): Verdict =>
  value < failsBelow ? 'fails' : value < looksBelow ? 'look' : 'passes';
