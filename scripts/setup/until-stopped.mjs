import { say, stop } from './say.mjs';

/**
 * Stays until Ctrl-C, then stops the app and its worker and, last, the database; ends with a sentence where the app ends by itself.
 * @param {{ stop: () => Promise<void>, end: Promise<unknown> }} app
 * @param {{ stop: () => Promise<void> }} worker
 * @param {{ stop: () => void } | undefined} cluster
 */
export async function untilStopped(app, worker, cluster) {
  let stopping = false;
  const shutDown = async () => {
    if (stopping) return;
    stopping = true;
    await Promise.all([app.stop(), worker.stop()]);
    cluster?.stop();
    say('Stopped.');
    process.exit(0);
  };
  process.on('SIGINT', shutDown);
  process.on('SIGTERM', shutDown);
  const code = await app.end;
  if (!stopping) {
    await worker.stop();
    cluster?.stop();
    stop(`The app ended by itself with code ${code}.`);
  }
}
