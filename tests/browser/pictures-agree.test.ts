import { PNG } from 'pngjs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { dress, parseRecipe, expect as valueOf, type Bounds, type Recipe } from '$core/index';
import { palette, read, recipeOf, send } from '../support/api';
import { startBrowser, type TestBrowser } from '../support/browser';
import { shelfOf } from '../support/fonts';
import { resolverOf } from '../support/resolver';
import { byLibrsvg } from '../support/second-renderer';
import { startTestApp } from '../support/test-app';

// Two renderers that share no code with the server's (resvg): Chromium, and librsvg through rsvg-convert.
const WIDTH_PX = 1200;
const PADDING_PX = 20;
let app: Awaited<ReturnType<typeof startTestApp>>;
let chromium: TestBrowser;
beforeAll(async () => {
  app = await startTestApp();
  chromium = await startBrowser();
});
afterAll(async () => {
  await chromium.close();
  await app.stop();
});

const blended = recipeOf(
  { kind: 'shape', id: 'disk', form: { form: 'disk', widthPx: 320, heightPx: 260 }, paint: { role: 'accent' }, opacity: 0.8 },
  {
    kind: 'shape',
    id: 'ring',
    form: { form: 'ring', widthPx: 300, heightPx: 240, bandPx: 18 },
    paint: { role: 'second' },
    blend: 'multiply',
    place: { x: 30, y: 12, turnDeg: 20 },
  },
  {
    kind: 'lettering',
    id: 'name',
    text: 'Overlap',
    font: { family: 'playfair', axes: { wght: 700 } },
    sizePx: 90,
    blend: 'multiply',
    opacity: 0.7,
    place: { x: 0, y: 20, turnDeg: -8 },
  },
);

async function inChromium(svg: string, widthPx: number, heightPx: number): Promise<PNG> {
  const page = await chromium.browser.newPage();
  await page.setViewport({ width: widthPx, height: heightPx });
  const source = `data:image/svg+xml;base64,${Buffer.from(svg).toString('base64')}`;
  await page.setContent(`<style>body{margin:0}img{display:block;width:${widthPx}px;height:${heightPx}px}</style><img src="${source}">`);
  await page.evaluate(() => document.images[0]?.decode());
  const shot = await page.screenshot({ omitBackground: true });
  await page.close();
  return PNG.sync.read(Buffer.from(shot));
}

/** Mean absolute difference of premultiplied channels, in steps of 1/255. */
function meanDifference(one: PNG, other: PNG): number {
  let total = 0;
  for (let i = 0; i < one.data.length; i += 4) {
    const [a, b] = [(one.data[i + 3] as number) / 255, (other.data[i + 3] as number) / 255];
    total += Math.abs(a - b) * 255;
    for (let c = 0; c < 3; c++) total += Math.abs((one.data[i + c] as number) * a - (other.data[i + c] as number) * b);
  }
  return total / one.data.length;
}

/** Whether a pixel is ground: neither it nor any of its eight neighbors has ink (antialiasing may differ by one pixel). */
function isGround({ width, height, data }: PNG, at: number): boolean {
  const [x, y] = [at % width, Math.floor(at / width)];
  for (let v = Math.max(0, y - 1); v <= Math.min(height - 1, y + 1); v++)
    for (let u = Math.max(0, x - 1); u <= Math.min(width - 1, x + 1); u++) if (data[(v * width + u) * 4 + 3] !== 0) return false;
  return true;
}

function inkBox({ width, height, data }: PNG): Bounds {
  const box = { left: width, top: height, right: 0, bottom: 0 };
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      if ((data[(y * width + x) * 4 + 3] as number) > 0) {
        box.left = Math.min(box.left, x);
        box.right = Math.max(box.right, x + 1);
        box.top = Math.min(box.top, y);
        box.bottom = Math.max(box.bottom, y + 1);
      }
  return box;
}

/** The ink as the core measures it, without any picture. */
async function measured(recipe: Recipe, sources: ReadonlyMap<string, Recipe>): Promise<Bounds> {
  const shelf = await shelfOf('josefin-sans', 'cinzel', 'italiana', 'playfair');
  const { ink } = resolverOf(shelf).resolve({ recipe, sources, dress: dress(palette, 'full') });
  if (!ink) throw new Error('nothing drawn');
  return ink;
}

const cases = [
  ['windrow-kites', 'primary'],
  ['windrow-kites', 'initial'],
  ['gorsebank-rowing-club', 'primary'],
  ['tidewrack-aerial', 'monogram'],
  ['windrow-kites', 'blended'],
] as const;

describe('the same mark', () => {
  beforeAll(async () => {
    await send(`${app.url}/api/brands/windrow-kites/marks`, 'POST', { name: 'Blended', role: 'secondary', recipe: blended });
  });

  it.each(cases)('%s %s looks the same in two other renderers and in the server’s PNG, on a clear ground', async (brand, mark) => {
    const address = `${app.url}/api/brands/${brand}/marks/${mark}`;
    const svg = await (await fetch(`${address}/picture.svg?padding=${PADDING_PX}`)).text();
    const png = PNG.sync.read(
      Buffer.from(await (await fetch(`${address}/picture.png?width=${WIDTH_PX}&padding=${PADDING_PX}`)).arrayBuffer()),
    );
    const [, left = 0, top = 0, width = 1, height = 1] = (/viewBox="(\S+) (\S+) (\S+) (\S+)"/.exec(svg) ?? []).map(Number);
    // The PNG is a hair higher, so that it has whole rows; the SVG is shown in the same frame.
    const framed = svg.replace(/ width="[^"]+" height="[^"]+"/, '');
    for (const [name, other] of [
      ['Chromium', await inChromium(framed, png.width, png.height)],
      ['librsvg', byLibrsvg(framed, png.width, png.height)],
    ] as const) {
      expect([other.width, other.height]).toEqual([png.width, png.height]);
      expect(meanDifference(png, other), name).toBeLessThan(1);
      const edge = (picture: PNG) =>
        [0, picture.width - 1, (picture.height - 1) * picture.width, picture.height * picture.width - 1].map(
          (at) => picture.data[at * 4 + 3],
        );
      expect([edge(png), edge(other)], name).toEqual([
        [0, 0, 0, 0],
        [0, 0, 0, 0],
      ]);
      let opaqueGround = 0;
      for (let at = 0; at < png.width * png.height; at++) if (isGround(png, at) && other.data[at * 4 + 3] !== 0) opaqueGround++;
      expect(opaqueGround, name).toBe(0);
    }

    const marks = await read<{ id: string; slug: string; recipe: unknown }[]>(`${app.url}/api/brands/${brand}/marks`);
    const sources = new Map(marks.map(({ id, recipe }) => [id, valueOf(parseRecipe(recipe))]));
    const ink = await measured(valueOf(parseRecipe(marks.find(({ slug }) => slug === mark)?.recipe)), sources);
    const scale = WIDTH_PX / width;
    const rowsAdded = (png.height - height * scale) / 2;
    const seen = inkBox(png);
    expect(Math.abs(seen.left - (ink.left - left) * scale)).toBeLessThanOrEqual(1);
    expect(Math.abs(seen.right - (ink.right - left) * scale)).toBeLessThanOrEqual(1);
    expect(Math.abs(seen.top - rowsAdded - (ink.top - top) * scale)).toBeLessThanOrEqual(1);
    expect(Math.abs(seen.bottom - rowsAdded - (ink.bottom - top) * scale)).toBeLessThanOrEqual(1);
  });
});
