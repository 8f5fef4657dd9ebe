/** The worker process: makes the files of packs and photos, and answers nobody. Started by `npm run worker`, anywhere that reaches the database. */
import { setPriority } from 'node:os';
import { closeDatabase, database } from '../database/orm';
import { closePool } from '../database/pool';
import { closeHeavyWork } from '../heavy/pool';
import { logLine } from '../http/refusals';
import { answerOrder } from '../print-desk/letters';
import { makeFile } from '../handover/make';
import { makePhoto } from '../photos/make';
import { makeWordedPicture } from '../picture-services/make';
import { closeQueue, PACK_FILES, PHOTO_FILES, PICTURE_ORDERS } from './queue';
import { startWorker } from './worker';

try {
  // Whoever answers people goes first.
  setPriority(5);
} catch {
  // Not allowed here.
}

const RETRY_MS = 1000;
let stopping = false;
for (;;) {
  try {
    await database();
    break;
  } catch (error) {
    console.error(logLine(error));
    await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
  }
}
const worker = startWorker(
  [
    [PACK_FILES, makeFile],
    [PHOTO_FILES, makePhoto],
    [PICTURE_ORDERS, makeWordedPicture],
  ],
  answerOrder,
);
console.log('The worker is ready.');

async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  await worker.stop();
  await Promise.all([closeQueue(), closeHeavyWork()]);
  await Promise.all([closePool(), closeDatabase()]);
  process.exit(0);
}
process.on('SIGTERM', () => void stop());
process.on('SIGINT', () => void stop());
