import { onMoved, studioOfSubject, type Moved } from '$lib/server/events';
import { isStill } from '$lib/server/guard/guard';
import type { RequestHandler } from './$types';

/** Proxies and browsers end a stream on which nothing comes for long; whether somebody is still signed in is looked up as often. */
const PULSE_MS = 20_000;

/** Tells a browser, as server-sent events, what has moved on in its studio in any web process. @source HTML Living Standard, 9.2 */
export const GET: RequestHandler = ({ locals, request }) => {
  const { who } = locals;
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
      /** Whoever is signed out, or is somebody else by now, hears nothing more. */
      const lookAgain = async () => {
        if (await isStill(who, request.headers)) return true;
        stop();
        controller.close();
        return false;
      };
      const pass = async (moved: Moved) => {
        const { subject } = moved;
        if (subject !== '*' && (await studioOfSubject(subject)) !== who?.studio) return;
        if (subject.startsWith('people:') && !(await lookAgain())) return;
        send(`data: ${JSON.stringify(moved)}\n\n`);
      };
      const pulse = setInterval(
        () =>
          void lookAgain()
            .then((still) => still && send(': still here\n\n'))
            .catch(stop),
        PULSE_MS,
      );
      const silence = onMoved((moved) => void pass(moved).catch(() => undefined));
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
