import { refuse } from './problem-error';

/** How much of a body that is too large is still read and thrown away, so that whoever sends it gets to read the answer. */
const MOST_DRAINED_BYTES = 256 * 1024 * 1024;
const LONGEST_DRAIN_MS = 20_000;

/** Reads what is still coming and throws it away, within bounds: whoever is sending gets to read the refusal instead of a broken line. */
export async function drain(request: Request): Promise<void> {
  let size = 0;
  const until = Date.now() + LONGEST_DRAIN_MS;
  if (request.body)
    for await (const chunk of request.body as unknown as AsyncIterable<Uint8Array>) {
      size += chunk.length;
      if (size > MOST_DRAINED_BYTES || Date.now() > until) return;
    }
}

/** What a body may say it is; a form that another site sends says something else. */
export const ANY_FILE = /^(application|image|font)\/(?!x-www-form-urlencoded)/i;

/**
 * Reads an uploaded body whole, up to a limit in bytes.
 * @param accepts what its content type must be like
 */
export async function readBytes(request: Request, mostBytes: number, accepts: RegExp = ANY_FILE): Promise<Uint8Array> {
  const type = request.headers.get('content-type') ?? '';
  if (!accepts.test(type))
    throw refuse(
      415,
      'wrong-content-type',
      `Expected the content type of a file, but received ${type || 'none'}.`,
      'Send application/octet-stream.',
    );
  const limit = `${Math.round(mostBytes / 1024 / 1024)} MB`;
  const tooLarge = () => refuse(413, 'body-too-large', `Expected at most ${limit}, but more was sent.`, `Send at most ${limit} at once.`);
  const stated = Number(request.headers.get('content-length') ?? NaN);
  // A body that says its size is read into one piece of memory; another one is gathered and joined.
  const whole = stated >= 0 && stated <= mostBytes ? Buffer.allocUnsafeSlow(stated) : undefined;
  const chunks: Uint8Array[] = [];
  let [size, until] = [0, Infinity];
  if (request.body)
    for await (const chunk of request.body as unknown as AsyncIterable<Uint8Array>) {
      const fits = size + chunk.length <= (whole?.length ?? mostBytes);
      if (fits && whole) whole.set(chunk, size);
      else if (fits) chunks.push(chunk);
      else {
        // Answering at once would break the connection under whoever is still sending.
        chunks.length = 0;
        if (until === Infinity) until = Date.now() + LONGEST_DRAIN_MS;
        if (size > MOST_DRAINED_BYTES || Date.now() > until) throw tooLarge();
      }
      size += chunk.length;
    }
  if (size > mostBytes || (whole && size > whole.length)) throw tooLarge();
  return whole ? whole.subarray(0, size) : Buffer.concat(chunks);
}
