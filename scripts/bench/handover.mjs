import { randomUUID } from 'node:crypto';
import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import { inPairs, mostMemory } from './figures.mjs';

const SIZES = [
  { width: 4500, height: 5400 },
  { width: 2400, height: 2400 },
  { width: 1080, height: 1080 },
  { width: 800, height: 800 },
  { width: 400, height: 400 },
];

/** What one thread of the reference does: renders and encodes, nothing else. */
const REFERENCE = `
const { parentPort, workerData } = require('node:worker_threads');
const { Resvg } = require('@resvg/resvg-js');
let bytes = 0;
for (const { svg, width } of workerData) bytes += new Resvg(svg, { font: { loadSystemFonts: false }, fitTo: { mode: 'width', value: width } }).render().asPng().length;
parentPort.postMessage(bytes);
`;

/** The same pictures rendered and encoded alone, on all cores. @param {readonly { svg: string, width: number }[]} pictures @returns {Promise<number>} ms */
async function alone(pictures) {
  const cores = availableParallelism();
  const from = performance.now();
  await Promise.all(
    Array.from(
      { length: cores },
      (_, core) =>
        new Promise((resolve, reject) => {
          const thread = new Worker(REFERENCE, { eval: true, workerData: pictures.filter((_each, at) => at % cores === core) });
          thread.on('message', resolve);
          thread.on('error', reject);
        }),
    ),
  );
  return performance.now() - from;
}

/**
 * A pack of 60 files up to 4500 × 5400 through the whole of it (queue, worker, reading back, verifying, storing) against the same pictures
 * rendered and encoded alone by the same renderer.
 * @param {string} home
 * @param {number} workerPid
 * @returns {Promise<string[]>}
 */
export async function packOfSixty(home, workerPid) {
  const brand = `${home}/api/brands/windrow-kites`;
  const json = async (/** @type {string} */ address) => (await fetch(address)).json();
  const marks = (await json(`${brand}/marks`)).slice(0, 4);
  const dressings = ['full', 'one-color', 'white'];
  const pictures = [];
  for (const { slug } of marks)
    for (const dressing of dressings) {
      const svg = await (await fetch(`${brand}/marks/${slug}/picture.svg?dressing=${dressing}`)).text();
      const [, left, top, wide, high] = /viewBox="(\S+) (\S+) (\S+) (\S+)"/.exec(svg) ?? [];
      for (const { width, height } of SIZES) {
        // The same canvas: the mark in the middle, with 4 % of air.
        const scale = Math.min((width * 0.92) / Number(wide), (height * 0.92) / Number(high));
        const [w, h] = [width / scale, height / scale];
        const box = `${Number(left) - (w - Number(wide)) / 2} ${Number(top) - (h - Number(high)) / 2} ${w} ${h}`;
        const sized = svg.replace(/width="[^"]*" height="[^"]*" viewBox="[^"]*"/, `width="${width}" height="${height}" viewBox="${box}"`);
        pictures.push({ svg: sized, width });
      }
    }
  const sizes = SIZES.map((size) => ({ label: `${size.width}`, canvas: { ...size, airPercent: 4 } }));
  const plan = {
    pattern: '{mark}-{colorway}-{size}',
    packs: [
      { id: 'p', kind: 'products', marks: marks.map((/** @type {{ id: string }} */ { id }) => id), dressings, formats: ['png'], sizes },
    ],
  };
  const pack = async () => {
    const id = randomUUID();
    const from = performance.now();
    await fetch(`${brand}/handovers`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id, name: 'Bench', plan }),
    });
    for (;;) {
      const { files } = await json(`${brand}/handovers/${id}`);
      if (files.some((/** @type {{ state: string }} */ { state }) => state === 'failed')) return NaN;
      if (files.every((/** @type {{ state: string }} */ { state }) => state === 'done')) return performance.now() - from;
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
  };
  await pack(); // fonts are read, threads are started
  const { whole, reference, ratio } = await inPairs(5, pack, () => alone(pictures));
  return [
    `A pack of ${pictures.length} files up to 4500 × 5400: ${(whole / 1000).toFixed(1)} s made, verified and stored; rendering and encoding alone ${(reference / 1000).toFixed(1)} s; ratio ${ratio} (bar 1.3); ${mostMemory('the worker', workerPid)} (bar 1,024)`,
  ];
}
