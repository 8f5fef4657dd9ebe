import { ProblemError, refuse } from './problem-error';

interface Fault {
  readonly code?: unknown;
  readonly name?: string;
  readonly message?: string;
  readonly cause?: unknown;
  readonly errors?: unknown;
}

/** An error and all it was caused by, outermost first. */
function causes(error: unknown, depth = 0): readonly Fault[] {
  if (typeof error !== 'object' || error === null || depth > 6) return [];
  const { cause, errors, previous } = error as Fault & { previous?: unknown };
  const inner = [cause, previous, ...(Array.isArray(errors) ? (errors as unknown[]) : [])];
  return [error as Fault, ...inner.flatMap((each) => causes(each, depth + 1))];
}
const codesOf = (faults: readonly Fault[]): readonly string[] => faults.flatMap(({ code }) => (typeof code === 'string' ? [code] : []));

/** PostgreSQL: class 08 connection exceptions, 57P0x shutdown and start. @source PostgreSQL 15, appendix A */
const UNREACHABLE = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', '57P01', '57P02', '57P03', '08000', '08003', '08006']);

/** Whether an error means that the database is down, rather than that it said no. */
export const isDatabaseDown = (error: unknown): boolean => {
  const faults = causes(error);
  return (
    codesOf(faults).some((code) => UNREACHABLE.has(code)) ||
    faults.some(({ message = '' }) =>
      /Connection terminated|connection timeout|not yet accepting connections|terminating connection|Client has encountered a connection error|not queryable/i.test(
        message,
      ),
    )
  );
};

/** What an error is, in a sentence that is true. The first row that fits counts. */
const ROWS: readonly { readonly fits: (codes: readonly string[], faults: readonly Fault[]) => boolean; readonly refusal: ProblemError }[] =
  [
    {
      // Every connection is taken: the database library's words for it, and the driver's.
      fits: (_, faults) =>
        faults.some(({ message = '' }) => /Timeout acquiring a connection|timeout exceeded when trying to connect/.test(message)),
      refusal: refuse(
        503,
        'busy',
        'The server has more to do than it can at this moment; nothing was changed.',
        'Try again in a few seconds.',
        {
          retryS: 2,
        },
      ),
    },
    {
      fits: (codes) => codes.includes('ENOSPC') || codes.includes('53100') || codes.includes('EDQUOT'),
      refusal: refuse(507, 'disk-full', 'The disk of the server is full; nothing was changed.', 'Make room on it, then try again.'),
    },
    {
      // Text that the database cannot hold, or that is no number, date or id.
      fits: (codes) => codes.some((code) => ['22021', '22P02', '22P05', '22003', '22007'].includes(code)),
      refusal: refuse(
        400,
        'malformed-value',
        'A value in the request cannot be read.',
        'Send text without NUL, and ids as they were given.',
      ),
    },
    {
      fits: (codes) => codes.includes('23505'),
      refusal: refuse(409, 'already-there', 'This is there already; nothing was changed.', 'Look at it again, then decide.'),
    },
    {
      fits: (codes) => codes.includes('22001'),
      refusal: refuse(422, 'too-long', 'A text in the request is too long.', 'Make it shorter.'),
    },
    {
      fits: (codes) => codes.includes('40001') || codes.includes('40P01'),
      refusal: refuse(503, 'busy', 'Somebody else changed the same in this moment; nothing was changed.', 'Try again.', { retryS: 1 }),
    },
  ];

const DATABASE_DOWN = refuse(503, 'database-down', 'The database cannot be reached.', 'Try again when it returns.', { retryS: 1 });
const UNEXPECTED = refuse(
  500,
  'unexpected',
  'Something went wrong on the server; nothing was changed.',
  'Try again; if it happens again, look at the server’s log.',
);

/** What the log says of an error: what and where, never what somebody sent (database messages repeat whole statements). */
export const logLine = (error: unknown): string => {
  const faults = causes(error);
  const [first] = faults;
  const where =
    error instanceof Error
      ? (error.stack ?? '')
          .split('\n')
          .filter((line) => /^\s+at /.test(line))
          .slice(0, 12)
          .join('\n')
      : '';
  const codes = codesOf(faults);
  const said = codes.length > 0 ? '' : String(first?.message ?? error).slice(0, 200);
  return [`unexpected ${first?.name ?? typeof error} ${codes.join(' ')} ${said}`.trim(), where].filter(Boolean).join('\n');
};

/** Any error as a refusal; what nobody expected is logged here and told apart by its code. */
export function asRefusal(error: unknown): ProblemError {
  if (error instanceof ProblemError) return error;
  const faults = causes(error);
  const codes = codesOf(faults);
  const row = ROWS.find(({ fits }) => fits(codes, faults));
  if (row) return row.refusal;
  if (isDatabaseDown(error)) return DATABASE_DOWN;
  console.error(logLine(error));
  return UNEXPECTED;
}
