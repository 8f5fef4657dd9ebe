import sharp from 'sharp';
import { row } from './figures.mjs';

/** Rounds of each, after one that warms. */
const ROUNDS = 5;

/** Pictures that become outlines, and grounds taken out, in one process. @returns {Promise<string[]>} */
export async function pictures() {
  const { cutOut, matteOf, partingOf, START_TRACING, studyOf, subjectOf, tracePicture } = await import('../../src/core/pictures/index.ts');
  const { knownGround } = await import('../../tests/support/known-grounds.ts');
  const timed = (/** @type {() => void} */ work) => {
    /** @type {number[]} */
    const times = [];
    for (let round = 0; round <= ROUNDS; round++) {
      const began = performance.now();
      work();
      times.push(performance.now() - began);
    }
    return times.slice(1);
  };
  const read = async (/** @type {any} */ from, /** @type {number} */ width) => {
    const { data, info } = await from.resize(width).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
    return { columns: info.width, rows: info.height, rgba: data };
  };
  const lines = [];
  const mug = await read(sharp('static/photos/mug.jpg'), 1000);
  for (const way of /** @type {const} */ (['two', 'pen', 'tones', 'colors']))
    lines.push(
      row(
        `a photo of 1,000 px traced, ${way}`,
        timed(() => tracePicture(mug, { ...START_TRACING, way })),
        { median: 700, p95: 2 * 700 },
      ),
    );
  const known = knownGround('C', 3);
  const study = studyOf(known.pixels);
  /** @type {any} */
  const stroke = { as: 'keep', points: [[0.5, 0.5]], width: 0.02, exact: false };
  const parting = partingOf(study);
  lines.push(
    row(
      'the ground of a photo out, first seen',
      timed(() => {
        const begun = partingOf(study);
        matteOf(study, subjectOf(begun, []), []);
      }),
      { median: 1000, p95: 2 * 1000 },
    ),
    row(
      'a stroke over it answered',
      timed(() => {
        matteOf(study, subjectOf(parting, [stroke]), [stroke]);
      }),
      { median: 400, p95: 2 * 400 },
    ),
  );
  const large = await read(
    sharp(Buffer.from(known.pixels.rgba), { raw: { width: known.pixels.columns, height: known.pixels.rows, channels: 4 } }),
    4000,
  );
  const before = process.memoryUsage().rss;
  let most = 0;
  const times = timed(() => {
    const small = studyOf(large);
    cutOut({ ...large, rgba: Uint8Array.from(large.rgba) }, matteOf(large, subjectOf(partingOf(small), []), []));
    most = Math.max(most, process.memoryUsage().rss);
  });
  lines.push(row('the ground of 12 megapixels out, without reading and writing the file', times, { median: 8000, p95: 2 * 8000 }));
  lines.push(`  … took ${Math.round((most - before) / 1e6)} MB more (budget 600)`);
  return lines;
}
