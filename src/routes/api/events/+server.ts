import { onMoved } from '$lib/server/events';
import type { RequestHandler } from './$types';

/** Proxies and browsers end a stream on which nothing comes for long. */
const PULSE_MS = 20_000;

/** Tells a browser, as server-sent events, what has moved on in any web process. @source HTML Living Standard, 9.2 */
export const GET: RequestHandler = () => {
  let stop = () => {};
  const stream = new ReadableStream<string>({
    start(controller) {
      const send = (text: string) => {
        try {
          controller.enqueue(text);
        } catch {
          stop(); // The browser is gone.
        }
      };
      const pulse = setInterval(() => send(': still here\n\n'), PULSE_MS);
      const silence = onMoved((moved) => send(`data: ${JSON.stringify(moved)}\n\n`));
      stop = () => {
        clearInterval(pulse);
        silence();
      };
      send('retry: 1000\n\n');
    },
    cancel: () => stop(),
  });
  return new Response(stream.pipeThrough(new TextEncoderStream()), {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
  });
};
