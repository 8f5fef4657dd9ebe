import pLimit from 'p-limit';
import { refuse } from '../http/problem-error';
import { drain, readBytes } from '../http/read-bytes';

/** Bodies up to this size are small: several are read into memory at once. */
const SMALL_BYTES = 8 * 1024 * 1024;
/** How many are read at once, and how many may wait on the line, unread; one more is refused. */
const TURNS = { small: { turn: pLimit(6), waiting: 40 }, large: { turn: pLimit(1), waiting: 14 } } as const;

/** Reads an uploaded file and does something with it, a few at a time, so that memory stays bounded however many come at once. */
export async function withUpload<T>(request: Request, mostBytes: number, run: (bytes: Uint8Array) => Promise<T>): Promise<T> {
  const stated = Number(request.headers.get('content-length') ?? NaN);
  const { turn, waiting } = stated <= SMALL_BYTES || mostBytes <= SMALL_BYTES ? TURNS.small : TURNS.large;
  if (turn.pendingCount >= waiting) {
    await drain(request);
    throw refuse(503, 'busy', 'Many files are being taken in at this moment; this one was not.', 'Send it again in a few seconds.', {
      retryS: 10,
    });
  }
  return turn(async () => run(await readBytes(request, mostBytes)));
}
