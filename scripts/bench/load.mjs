import { spawn } from 'node:child_process';
import sharp from 'sharp';
import { quantile } from './figures.mjs';

/** Asks for health every tenth of a second until its input ends, and reads the server's resident memory. */
const ASKER = `
  const { readFileSync } = require('node:fs');
  const [home, pid] = process.argv.slice(1);
  const health = [];
  let [most, busy] = [0, true];
  process.stdin.on('end', () => (busy = false)).resume();
  (async () => {
    while (busy) {
      const began = performance.now();
      await fetch(home + '/api/health').then((response) => response.arrayBuffer());
      health.push(performance.now() - began);
      most = Math.max(most, Number(/VmRSS:\\s+(\\d+)/.exec(readFileSync('/proc/' + pid + '/status', 'utf8'))[1]) / 1024);
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    console.log(JSON.stringify({ health, most }));
  })();
`;

/**
 * How the server holds when everything comes at once: 200 PNG of 4,500 px, 20 uploads of about 60 MB of noise and a hostile drawing every second.
 * Health and memory are looked at all the while.
 * @param {string} home
 * @param {number} pid of the server
 */
export async function serverUnderLoad(home, pid) {
  const brand = `${home}/api/brands/gorsebank-rowing-club`;
  const side = 4470;
  const noise = Buffer.alloc(side * side * 3);
  for (let at = 0, state = 7; at < noise.length; at++) noise[at] = (state = (state * 48271) % 2147483647) & 255;
  const upload = await sharp(noise, { raw: { width: side, height: side, channels: 3 } })
    .png({ compressionLevel: 0 })
    .toBuffer();
  let state = 11;
  const next = () => ((state = (state * 48271) % 2147483647) / 2147483647) * 1000;
  const hostile = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 1000"><path d="${Array.from({ length: 6000 }, () => `M${next().toFixed(1)} ${next().toFixed(1)}L${next().toFixed(1)} ${next().toFixed(1)}`).join('')}"/></svg>`;

  /** @type {Map<string, number>} */
  const outcomes = new Map();
  const count = (/** @type {string} */ what, /** @type {string | number} */ outcome) =>
    outcomes.set(`${what} ${outcome}`, (outcomes.get(`${what} ${outcome}`) ?? 0) + 1);
  const ask = async (/** @type {string} */ what, /** @type {string} */ address, /** @type {RequestInit} */ init = {}) => {
    try {
      const response = await fetch(address, { ...init, signal: AbortSignal.timeout(300_000) });
      await response.arrayBuffer();
      count(what, response.status);
    } catch (error) {
      count(what, error instanceof Error ? `no answer (${error.name})` : 'no answer');
    }
  };
  let busy = true;
  // Asked from a process of its own: this one is busy sending.
  const asker = spawn(process.execPath, ['-e', ASKER, home, String(pid)], { stdio: ['pipe', 'pipe', 'inherit'] });
  const began = performance.now();
  const hostiles = (async () => {
    /** @type {Promise<void>[]} */
    const sent = [];
    while (busy && sent.length < 60) {
      sent.push(ask('hostile drawing', `${brand}/art`, { method: 'POST', body: hostile, headers: { 'content-type': 'image/svg+xml' } }));
      await new Promise((resolve) => setTimeout(resolve, 1000));
    }
    await Promise.all(sent);
  })();
  await Promise.all([
    ...Array.from({ length: Number(process.env.PNGS ?? 200) }, () =>
      ask('PNG of 4,500 px', `${brand}/marks/primary/picture.png?width=4500`),
    ),
    ...Array.from({ length: Number(process.env.UPLOADS ?? 20) }, (_, n) =>
      ask('upload of 60 MB', `${brand}/pictures?for=mark&name=noise-${n}.png`, {
        method: 'POST',
        body: upload,
        headers: { 'content-type': 'image/png' },
      }),
    ),
  ]);
  busy = false;
  await hostiles;
  asker.stdin.end();
  let said = '';
  for await (const chunk of asker.stdout) said += String(chunk);
  const { health, most } = /** @type {{ health: number[], most: number }} */ (JSON.parse(said));
  return [
    `Everything at once took ${((performance.now() - began) / 1000).toFixed(0)} s: ${[...outcomes].map(([what, times]) => `${what}: ${times}`).join(', ')}`,
    `Health meanwhile: median ${quantile(health, 0.5).toFixed(0)} ms, p95 ${quantile(health, 0.95).toFixed(0)} ms, worst ${Math.max(...health).toFixed(0)} ms (bar 200), n = ${health.length}; memory at most ${most.toFixed(0)} MB (bar 1,024)`,
  ];
}
