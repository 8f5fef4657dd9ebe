import { refuse } from './problem-error';

/** Reads an uploaded body whole, up to a limit in bytes. */
export async function readBytes(request: Request, mostBytes: number): Promise<Uint8Array> {
  const tooLarge = () => refuse(413, 'body-too-large', `Expected at most ${Math.round(mostBytes / 1024 / 1024)} MB, but more was sent.`);
  if (Number(request.headers.get('content-length') ?? 0) > mostBytes) throw tooLarge();
  const chunks: Uint8Array[] = [];
  let size = 0;
  if (request.body)
    for await (const chunk of request.body as unknown as AsyncIterable<Uint8Array>) {
      size += chunk.length;
      if (size > mostBytes) throw tooLarge();
      chunks.push(chunk);
    }
  return Buffer.concat(chunks);
}
