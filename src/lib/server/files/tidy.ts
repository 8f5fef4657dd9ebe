import { logLine } from '../http/refusals';
import { pruneCopies } from './cache';
import { clearUnnamed, storedAmong } from './stored';

const MINUTE_MS = 60_000;
const HOUR_MS = 60 * MINUTE_MS;
/** A file whose row has not come by now never gets one: the row follows the file at once. */
const WITHOUT_ROW_MS = 24 * HOUR_MS;
const EVERY_MS = 6 * HOUR_MS;

/**
 * Clears files that no row names once they are old enough, and copies on this disk that are too many.
 * @param now milliseconds since 1970
 * @returns what was removed, by name
 */
export const sweepFiles = async (now: number): Promise<readonly string[]> => [
  ...(await clearUnnamed(new Date(now - WITHOUT_ROW_MS))),
  ...(await pruneCopies(now, storedAmong)),
];

/** Sweeps a little after the start, then every few hours. @returns stops it */
export function keepFilesTidy(): () => void {
  const sweep = () => void sweepFiles(Date.now()).catch((error: unknown) => console.error(logLine(error)));
  const [first, rest] = [setTimeout(sweep, MINUTE_MS), setInterval(sweep, EVERY_MS)];
  first.unref();
  rest.unref();
  return () => {
    clearTimeout(first);
    clearInterval(rest);
  };
}
