import { RateLimiterPostgres, type RateLimiterRes } from 'rate-limiter-flexible';
import { pool } from '../database/pool';
import { ProblemError } from '../http/problem-error';

/** How often something may be asked for, counted in the database, so that all web processes count together. */
const LIMITS = {
  /** Addresses that lead nowhere, by whoever asks: guessing is hopeless at this rate. */
  guess: { points: 30, duration: 60 },
  /** Everything under one address, by whoever asks. */
  page: { points: 400, duration: 60 },
  /** Files that are made on the spot. */
  file: { points: 60, duration: 60 },
  /** Words that are tried. */
  word: { points: 10, duration: 600 },
  /** Notes and answers. */
  note: { points: 30, duration: 600 },
  /** Tries to sign in, by whoever asks. */
  'sign-in': { points: 30, duration: 600 },
  /** Tries to sign in as one person, from wherever. @source OWASP ASVS 4.0.3, 2.2.1: no more than 100 an hour */
  account: { points: 60, duration: 3600 },
} as const;
export type Limit = keyof typeof LIMITS;

const kept = new Map<Limit, RateLimiterPostgres>();
function limiter(name: Limit): RateLimiterPostgres {
  const known = kept.get(name);
  if (known) return known;
  const made = new RateLimiterPostgres({
    storeClient: pool(),
    tableName: 'rate_limit',
    tableCreated: true,
    keyPrefix: name,
    ...LIMITS[name],
  });
  kept.set(name, made);
  return made;
}

/** Counts one more. @throws a 429 that says for how long */
export async function count(name: Limit, who: string): Promise<void> {
  try {
    await limiter(name).consume(who);
  } catch (refused) {
    if (refused instanceof Error) throw refused;
    const seconds = Math.max(1, Math.ceil((refused as RateLimiterRes).msBeforeNext / 1000));
    throw new ProblemError(
      429,
      [{ code: 'too-often', message: 'That was too often.', fix: `Try again in ${seconds} seconds.` }],
      {},
      seconds,
    );
  }
}
