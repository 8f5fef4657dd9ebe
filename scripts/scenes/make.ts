// Traces the goods that marks are shown on, and draws those that are flat, into scenes/: run by hand, once; what it makes ships with the app.
// node --import tsx scripts/scenes/make.ts [--width 2000] [--samples 32] [--threads 2] [--out scenes] [name …]
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { parseArgs } from 'node:util';
import { Worker } from 'node:worker_threads';
import { build } from 'vite';
import { drawnLayers } from './drawn';
import { FLAT } from './goods/flat';
import { GOODS } from './goods/index';
import type { Layers, Traced } from './layers';
import type { Gathered } from './trace';

const { values, positionals } = parseArgs({
  options: {
    width: { type: 'string', default: '2000' },
    samples: { type: 'string', default: '32' },
    threads: { type: 'string', default: '2' },
    out: { type: 'string', default: 'scenes' },
  },
  allowPositionals: true,
});
const [width, samples, threads] = [Number(values.width), Number(values.samples), Number(values.threads)];
const BAND_ROWS = 24;
/** Light is traced on a picture of half the size, surfaces on the whole one. */
const SURFACE_SAMPLES = 8;

/** Everything that a thread needs, in one file of plain script: compiled once, so that it runs as fast as it can. */
async function builtWorker(): Promise<string> {
  const outDir = await mkdtemp(resolve('node_modules/.scenes-'));
  await build({
    configFile: false,
    logLevel: 'error',
    build: {
      ssr: true,
      outDir,
      minify: false,
      rollupOptions: {
        input: ['worker', 'layers'].map((name) => fileURLToPath(new URL(`${name}.ts`, import.meta.url))),
        output: { entryFileNames: '[name].mjs' },
        preserveEntrySignatures: 'strict',
      },
    },
  });
  return outDir;
}
// Inside the project, so that the packages are found.
const built = await builtWorker();
const worker = join(built, 'worker.mjs');
const { layersOf } = (await import(pathToFileURL(join(built, 'layers.mjs')).href)) as {
  readonly layersOf: (traced: Traced) => Promise<Layers>;
};

function traced(name: string, widthPx: number, heightPx: number, samplesEach: number, lit: boolean): Promise<Gathered[]> {
  const bands = Array.from({ length: Math.ceil(heightPx / BAND_ROWS) }, (_, n) => [n * BAND_ROWS, Math.min(heightPx, (n + 1) * BAND_ROWS)]);
  const done: Gathered[] = [];
  return new Promise((resolve, reject) => {
    let open = 0;
    for (let n = 0; n < threads; n++) {
      const thread = new Worker(worker, { workerData: { name, widthPx, samples: samplesEach, lit } });
      open++;
      const go = () => {
        const band = bands.shift();
        if (band) return thread.postMessage(band);
        void thread.terminate();
        if (--open === 0) resolve(done);
      };
      thread.on('message', (gathered: Gathered) => {
        done.push(gathered);
        go();
      });
      thread.on('error', reject);
      go();
    }
  });
}

/** Writes what a scene is made of, and what is said of it. */
async function keep(name: string, facts: Readonly<Record<string, unknown>>, layers: Layers, began: number): Promise<void> {
  const folder = join(values.out, name);
  await mkdir(folder, { recursive: true });
  for (const [file, bytes] of Object.entries(layers) as [string, Buffer][]) await writeFile(join(folder, `${file}.webp`), bytes);
  await writeFile(join(folder, 'scene.json'), `${JSON.stringify({ name, ...facts }, null, 2)}\n`);
  const sizes = Object.entries(layers).map(([file, bytes]) => `${file} ${Math.round((bytes as Buffer).length / 1000)} kB`);
  console.log(`${name}: ${((performance.now() - began) / 1000).toFixed(0)} s; ${sizes.join(', ')}`);
}

for (const name of positionals.length > 0 ? positionals : [...Object.keys(GOODS), ...Object.keys(FLAT)]) {
  const began = performance.now();
  const flat = FLAT[name];
  if (flat) {
    const { label, widthPx, heightPx, start } = flat;
    const areas = flat.areas.map(({ box: _, ...area }) => area);
    await keep(name, { label, widthPx, heightPx, areas, start, flat: true }, await drawnLayers(flat), began);
    continue;
  }
  const made = GOODS[name];
  if (!made) throw new Error(`There are no goods called ${name}.`);
  const [scene, half] = [made(width), made(width / 2)];
  const coarse = { scene: half, samples, bands: await traced(name, half.widthPx, half.heightPx, samples, true) };
  const fine = { scene, samples: SURFACE_SAMPLES, bands: await traced(name, width, scene.heightPx, SURFACE_SAMPLES, false) };
  const { label, areas, start, widthPx, heightPx } = scene;
  await keep(name, { label, widthPx, heightPx, areas, start }, await layersOf({ coarse, fine }), began);
}
await rm(built, { recursive: true, force: true });
