// A thread of the tracer: takes bands of rows and hands back what it gathered.
import { parentPort, workerData } from 'node:worker_threads';
import { GOODS } from './goods/index';
import { Tracer } from './trace';

const { name, widthPx, samples, lit } = workerData as {
  readonly name: string;
  readonly widthPx: number;
  readonly samples: number;
  readonly lit: boolean;
};
const scene = GOODS[name]?.(widthPx);
if (!scene) throw new Error(`There are no goods called ${name}.`);
const tracer = new Tracer(scene);
parentPort?.on('message', ([from, to]: readonly [number, number]) => {
  const gathered = tracer.rows(from, to, samples, lit);
  const buffers = Object.values(gathered).flatMap((value: unknown) => (ArrayBuffer.isView(value) ? [value.buffer as ArrayBuffer] : []));
  parentPort?.postMessage(gathered, buffers);
});
