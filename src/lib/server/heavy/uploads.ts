import pLimit from 'p-limit';
import { refuse } from '../http/problem-error';
import { drain, readBytes } from '../http/read-bytes';

/** Bodies read into memory at once; the others wait on the line, unread. */
const AT_ONCE = 2;
/** Uploads that may wait; one more is refused before it is read. */
const MOST_WAITING = 12;

const turn = pLimit(AT_ONCE);

/** Reads an uploaded file and does something with it, a few at a time, so that memory stays bounded however many come at once. */
export async function withUpload<T>(request: Request, mostBytes: number, run: (bytes: Uint8Array) => Promise<T>): Promise<T> {
  if (turn.pendingCount >= MOST_WAITING) {
    await drain(request);
    throw refuse(503, 'busy', 'Many files are being taken in at this moment; this one was not.', 'Send it again in a few seconds.', {
      retryS: 10,
    });
  }
  return turn(async () => run(await readBytes(request, mostBytes)));
}
