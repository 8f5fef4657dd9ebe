import { randomUUID } from 'node:crypto';
import { availableParallelism } from 'node:os';
import pLimit from 'p-limit';
import sharp from 'sharp';
import { inPairs, mostMemory } from './figures.mjs';

const COUNT = 24;
const [WIDE, HIGH] = [6000, 4000];

/** Photos of 24 megapixels: soft shapes with grain, each a little different. @returns {Promise<Buffer[]>} */
async function photos() {
  const made = [];
  for (let n = 0; n < COUNT; n++) {
    const small = Buffer.from(Uint8Array.from({ length: 60 * 40 * 3 }, (_, at) => (Math.imul(at + n * 977, 0x9e3779b1) >>> 24) & 255));
    made.push(
      await sharp(small, { raw: { width: 60, height: 40, channels: 3 } })
        .resize(WIDE, HIGH, { kernel: 'cubic' })
        .jpeg({ quality: 92 })
        .toBuffer(),
    );
  }
  return made;
}

/**
 * A run of photos of 24 megapixels through all of it (queue, worker, drawing the watermark, reading back, storing) against the codec's own bare
 * decode, composite and encode on all cores, the overlay drawn beforehand.
 * @param {string} home
 * @param {number} workerPid
 * @returns {Promise<string[]>}
 */
export async function runOfPhotos(home, workerPid) {
  const brand = `${home}/api/brands/windrow-kites`;
  const files = await photos();
  const ids = [];
  for (const [n, bytes] of files.entries()) {
    const answer = await fetch(`${brand}/photos?name=bench-${n}.jpg`, {
      method: 'POST',
      headers: { 'content-type': 'image/jpeg' },
      body: new Uint8Array(bytes),
    });
    ids.push((await answer.json())[0].id);
  }
  const [mark] = await (await fetch(`${brand}/marks`)).json();
  const run = async (/** @type {object} */ desk) => {
    const id = randomUUID();
    const from = performance.now();
    const order = await fetch(`${brand}/photo-runs`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id, name: 'Bench', photos: ids, desk }),
    });
    if (!order.ok) throw new Error(await order.text());
    for (;;) {
      const { files: states } = await (await fetch(`${brand}/photo-runs/${id}`)).json();
      if (states.every((/** @type {{ state: string }} */ { state }) => state === 'done')) return performance.now() - from;
      if (states.some((/** @type {{ state: string }} */ { state }) => state === 'failed')) throw new Error('A photo could not be marked.');
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
  };
  const bare = async (/** @type {number} */ wide, /** @type {number} */ high) => {
    const overlay = {
      input: Buffer.alloc(wide * high * 4, 60),
      raw: { width: wide, height: high, channels: /** @type {const} */ (4) },
      left: 100,
      top: 100,
    };
    const turn = pLimit(availableParallelism());
    const from = performance.now();
    sharp.concurrency(1);
    await Promise.all(files.map((file) => turn(() => sharp(file).rotate().composite([overlay]).jpeg({ quality: 88 }).toBuffer())));
    return performance.now() - from;
  };
  const stamp = { id: 'one', mark: mark.id };
  const lines = [];
  for (const [what, desk, wide, high] of /** @type {const} */ ([
    ['a stamp', { version: 1, stamps: [stamp] }, 1100, 500],
    ['a stamp and a veil', { version: 1, stamps: [stamp], veil: { on: true, text: 'Windrow Kites' } }, 5800, 3800],
  ])) {
    await run(desk);
    const { whole, reference, ratio } = await inPairs(
      3,
      () => run(desk),
      () => bare(wide, high),
    );
    lines.push(
      `${COUNT} photos of 24 megapixels under ${what}: ${(whole / 1000).toFixed(1)} s; bare decode, composite, encode ${(reference / 1000).toFixed(1)} s; ratio ${ratio} (at most 1.15)`,
    );
  }
  return [...lines, `Meanwhile ${mostMemory('the worker', workerPid)} (bar 1,536)`];
}

/** A scene of 2,000 px, decoded and composed: by the route, drawing the mark included. @param {string} home @returns {Promise<string[]>} */
export async function goodsComposed(home) {
  const address = (/** @type {number} */ width) => `${home}/api/brands/windrow-kites/marks/primary/goods/mug?width=${width}`;
  const lines = [];
  for (const width of [2000, 640]) {
    const times = [];
    for (let n = 0; n < 7; n++) {
      const from = performance.now();
      await (await fetch(`${address(width)}&turn=${n}`)).arrayBuffer();
      times.push(performance.now() - from);
    }
    times.sort((a, b) => a - b);
    lines.push(
      `A mark on goods at ${width} px, drawn, composed and encoded: median ${times[3]?.toFixed(0)} ms${width === 2000 ? ' (composing alone at most 700)' : ''}`,
    );
  }
  return lines;
}
