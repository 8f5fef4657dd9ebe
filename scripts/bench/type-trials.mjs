import { arrive } from '../setup/arrive.mjs';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { quantile, row } from './figures.mjs';

const NAME = 'Windrowkites'; // 12 letters
const FACES = 60;
const RUNS = 15;

/**
 * 60 faces × a 12-letter name, warm, shaped and outlined by the core, against HarfBuzz's command-line shaper doing the shaping alone for the same list in one run.
 * The command line cannot take many fonts at once, so it is run once per face; the cost of starting a process that only prints its version is taken off.
 */
export async function facesAgainstShaper() {
  const { expect, pathData, setLine } = await import('../../src/core/index.ts');
  const { openTypeface, unpackFontFile } = await import('../../src/core/shaping/index.ts');
  /** @type {readonly { readonly faces: readonly { readonly file: string }[] }[]} */
  const families = JSON.parse(readFileSync('fonts/shipped.json', 'utf8'));
  const files = families.flatMap(({ faces }) => faces.slice(0, 1).map(({ file }) => file)).slice(0, FACES);
  const folder = mkdtempSync(join(tmpdir(), 'lucky-bench-'));
  const faces = await Promise.all(
    files.map(async (file, index) => {
      const bytes = expect(await unpackFontFile(readFileSync(`fonts/${file}`)));
      const copy = join(folder, `${index}.ttf`);
      writeFileSync(copy, bytes);
      return { copy, face: expect(openTypeface(file, bytes)) };
    }),
  );
  const draw = () => {
    for (const { face } of faces) {
      const { glyphs } = setLine(face, NAME, { axes: {}, kerning: 'font', trackingPermille: 0 });
      for (const { instance, glyph } of glyphs) pathData(instance.outline(glyph));
    }
  };
  const timed = (/** @type {() => void} */ run) => {
    const began = performance.now();
    run();
    return performance.now() - began;
  };
  draw();
  const ours = [];
  const theirs = [];
  for (let n = 0; n < RUNS; n++) {
    ours.push(timed(draw));
    const idle = timed(() => faces.forEach(() => execFileSync('hb-shape', ['--version'], { stdio: 'ignore' })));
    const shaping = timed(() =>
      faces.forEach(({ copy }) => execFileSync('hb-shape', ['--no-glyph-names', copy, NAME], { stdio: 'ignore' })),
    );
    theirs.push(Math.max(shaping - idle, 0.1));
  }
  rmSync(folder, { recursive: true });
  const [core, shaper] = [quantile(ours, 0.5), quantile(theirs, 0.5)];
  return [
    `${FACES} faces × 12 letters, warm: core shaping and outlines median ${core.toFixed(1)} ms; hb-shape shaping alone (process start taken off) median ${shaper.toFixed(1)} ms; ratio ${(core / shaper).toFixed(2)} (budget 1.5), n = ${RUNS}`,
  ];
}

/**
 * The type room in the browser: from the data being there to the first screen of trials, and long tasks while scrolling all of them.
 * @param {import('puppeteer-core').Browser} browser
 * @param {string} home
 */
export async function firstScreenAndScrolling(browser, home) {
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await arrive(page, `${home}/brands/windrow-kites/type`);
  const filled = () => page.waitForFunction(() => document.querySelectorAll('[aria-label="Trials"] .cell path').length > 50);
  await filled();
  const firstScreens = [];
  for (let n = 0; n < 20; n++) {
    const took = await page.evaluate(
      async (setting) => {
        const select = /** @type {HTMLSelectElement} */ (document.querySelector('select[aria-label="What is set"]'));
        const cell = () => document.querySelector('[aria-label="Trials"] .cell path')?.getAttribute('d');
        const before = cell();
        const began = performance.now();
        select.value = setting;
        select.dispatchEvent(new Event('change', { bubbles: true }));
        while (cell() === before) await new Promise((resolve) => requestAnimationFrame(resolve));
        return performance.now() - began;
      },
      n % 2 === 0 ? 'upper' : 'name',
    );
    firstScreens.push(took);
  }
  const scrolling = await page.evaluate(async () => {
    const frames = /** @type {number[]} */ ([]);
    const tasks = /** @type {number[]} */ ([]);
    new PerformanceObserver((list) => tasks.push(...list.getEntries().map((entry) => entry.duration))).observe({ type: 'longtask' });
    const room = /** @type {HTMLElement} */ (document.querySelector('.trials'));
    let last = performance.now();
    for (let top = 0; top < room.scrollHeight; top += 24) {
      room.scrollTop = top;
      await new Promise((resolve) => requestAnimationFrame(resolve));
      frames.push(performance.now() - last);
      last = performance.now();
    }
    return { frames, longest: Math.max(0, ...tasks) };
  });
  await page.close();
  return [
    row('All trials set anew, fonts there, to the frame that shows them', firstScreens, { median: 150, p95: 150 }),
    row('Scrolling through all trials, one frame', scrolling.frames, { median: 16.8, p95: 33.4 }),
    `  longest task while scrolling: ${scrolling.longest.toFixed(0)} ms (budget 50 ms; 0 means none over 50 ms)`,
  ];
}
