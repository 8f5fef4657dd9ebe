import { arrive } from '../setup/arrive.mjs';
import { readFileSync } from 'node:fs';
import { quantile, row } from './figures.mjs';

const NAME = 'Windrowkites'; // 12 letters
const FACES = 60;
const WARM = 5;
const ROUNDS = 200;

/**
 * 60 faces × a 12-letter name, warm, shaped and outlined by the core, against the plain shaper doing the same: HarfBuzz itself, shaping the
 * name and writing every outline as path data, in the same process, round by round in turns.
 */
export async function facesAgainstShaper() {
  const { expect, pathData, setLine } = await import('../../src/core/index.ts');
  const { openTypeface, unpackFontFile } = await import('../../src/core/shaping/index.ts');
  const { Blob, Buffer: Text, Direction, Face, Font, shape } = await import('harfbuzzjs');
  /** @type {readonly { readonly faces: readonly { readonly file: string }[] }[]} */
  const families = JSON.parse(readFileSync('fonts/shipped.json', 'utf8'));
  const files = families.flatMap(({ faces }) => faces.slice(0, 1).map(({ file }) => file)).slice(0, FACES);
  const faces = await Promise.all(
    files.map(async (file) => {
      const bytes = expect(await unpackFontFile(readFileSync(`fonts/${file}`)));
      return { face: expect(openTypeface(file, bytes)), plain: new Font(new Face(new Blob(bytes.slice().buffer), 0)) };
    }),
  );
  const ours = () => {
    for (const { face } of faces) {
      const { glyphs } = setLine(face, NAME, { axes: {}, kerning: 'font', trackingPermille: 0 });
      for (const { instance, glyph } of glyphs) pathData(instance.outline(glyph));
    }
  };
  const theirs = () => {
    for (const { plain } of faces) {
      const text = new Text();
      text.addText(NAME);
      text.setDirection(Direction.LTR);
      text.guessSegmentProperties();
      shape(plain, text);
      for (const { codepoint } of text.getGlyphInfos()) plain.glyphToPath(codepoint);
    }
  };
  const timed = (/** @type {() => void} */ run) => {
    const began = performance.now();
    run();
    return performance.now() - began;
  };
  const [core, shaper] = [/** @type {number[]} */ ([]), /** @type {number[]} */ ([])];
  for (let n = 0; n < ROUNDS + WARM; n++) {
    const [one, other] = [timed(ours), timed(theirs)];
    if (n < WARM) continue;
    core.push(one);
    shaper.push(other);
  }
  const [own, reference] = [quantile(core, 0.5), quantile(shaper, 0.5)];
  return [
    `${FACES} faces × 12 letters, warm, shaping and outlines: core (which remembers outlines that it has read) median ${own.toFixed(2)} ms, p95 ${quantile(core, 0.95).toFixed(2)}; the plain shaper (HarfBuzz), same work, same process: median ${reference.toFixed(2)} ms, p95 ${quantile(shaper, 0.95).toFixed(2)}; ratio ${(own / reference).toFixed(2)} (budget 1.5), n = ${ROUNDS}`,
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
