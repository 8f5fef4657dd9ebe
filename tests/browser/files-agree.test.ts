import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PNG } from 'pngjs';
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { canvasSchema, FORMAT_NAMES, formatOf, toSvg, type FormatName, type Hex, type Palette, type Recipe } from '$core/index';
import { FORMATS, type FileOrder, type PictureSubject } from '$lib/server/formats';
import { framed } from '$lib/server/formats/framed';
import { verifyFile } from '$lib/server/verify/verify';
import { startBrowser, type TestBrowser } from '../support/browser';
import { recipeOf } from '../support/api';
import { casesOf } from '../support/deep';
import { nestedRecipe } from '../support/nested-recipes';
import { randomMark } from '../support/random-marks';

// Readers and renderers that the app does not write with: Chromium (PNG, WebP, JPEG, AVIF, SVG), poppler (PDF), libtiff and ImageMagick (TIFF, ICO).
// The stage is Chromium's own picture of the drawing's SVG.
const COUNT = casesOf({ inFull: 300, sample: 5 });
const GROUND: Hex = '#e8b84b';
const palette: Palette = { ink: '#22302a', paper: '#fffdf8', lead: '#b5482d', second: '#5d7f9e', accent: '#e8b84b' };

let chromium: TestBrowser;
let page: Page;
const folder = mkdtempSync(join(tmpdir(), 'lucky-agree-'));
beforeAll(async () => {
  chromium = await startBrowser();
  page = await chromium.browser.newPage();
});
afterAll(() => chromium.close());

interface Picture {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array;
}

/** A picture as Chromium decodes it, at its own size or at the one that is asked for. */
async function byChromium(file: Uint8Array, mime: string, width: number, height: number): Promise<Picture> {
  const text = await page.evaluate(
    async (source, wide, high) => {
      const image = new Image();
      image.src = source;
      await image.decode();
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [wide, high];
      const context = canvas.getContext('2d', { willReadFrequently: true });
      context?.drawImage(image, 0, 0, wide, high);
      const { data } = context?.getImageData(0, 0, wide, high) ?? { data: new Uint8ClampedArray() };
      let binary = '';
      for (let at = 0; at < data.length; at += 8192) binary += String.fromCharCode(...data.subarray(at, at + 8192));
      return btoa(binary);
    },
    `data:${mime};base64,${Buffer.from(file).toString('base64')}`,
    width,
    height,
  );
  return { width, height, data: Buffer.from(text, 'base64') };
}
const fromPng = (path: string): Picture => {
  const { width, height, data } = PNG.sync.read(readFileSync(path));
  return { width, height, data };
};
function byPoppler(file: Uint8Array, width: number, height: number): Picture {
  const from = join(folder, 'file.pdf');
  writeFileSync(from, file);
  execFileSync('pdftocairo', [
    '-png',
    '-singlefile',
    '-transp',
    '-scale-to-x',
    String(width),
    '-scale-to-y',
    String(height),
    from,
    join(folder, 'pdf'),
  ]);
  return fromPng(join(folder, 'pdf.png'));
}
function byMagick(file: Uint8Array, ending: string): Picture {
  const from = join(folder, `file.${ending}`);
  writeFileSync(from, file);
  execFileSync('/usr/bin/convert', [ending === 'ico' ? `${from}[6]` : from, '-depth', '8', `PNG32:${join(folder, 'magick.png')}`]);
  return fromPng(join(folder, 'magick.png'));
}

const over = (data: Uint8Array, at: number, channel: number, ground: number) =>
  ((data[at + channel] as number) * (data[at + 3] as number)) / 255 + ground * (1 - (data[at + 3] as number) / 255);

/**
 * Mean difference on a white and on a black ground by the compositing formula, the larger; and the fringe: how far the color of half-covered
 * pixels is from the stage's on average, by channel and with its sign. Renderers differ in how much of a pixel is covered, not in its color.
 */
function compared(one: Picture, other: Picture) {
  let worst = 0;
  for (const ground of [255, 0]) {
    let sum = 0;
    for (let at = 0; at < one.data.length; at += 4)
      for (let channel = 0; channel < 3; channel++)
        sum += Math.abs(over(one.data, at, channel, ground) - over(other.data, at, channel, ground));
    worst = Math.max(worst, sum / (one.data.length / 4) / 3);
  }
  const bias = [0, 0, 0];
  let edges = 0;
  for (let at = 0; at < one.data.length; at += 4) {
    const [own, stage] = [one.data[at + 3] as number, other.data[at + 3] as number];
    if (own < 60 || own > 240 || stage < 60 || stage > 240) continue;
    edges++;
    for (const channel of [0, 1, 2])
      bias[channel] = (bias[channel] as number) + (one.data[at + channel] as number) - (other.data[at + channel] as number);
  }
  return { mean: worst, fringe: edges < 200 ? 0 : Math.max(...bias.map((sum) => Math.abs(sum / edges))) };
}

const orderFor = (format: FormatName): FileOrder => {
  const { pixels, clear, paper } = formatOf(format);
  const size = format === 'ico' ? { width: 256, height: 256 } : { width: 640, height: 480 };
  return {
    canvas: canvasSchema.parse({ ...size, airPercent: 4, ...(pixels && paper ? { dpi: 300 } : {}) }),
    ground: clear ? undefined : GROUND,
    exact: true,
  };
};
const subjectOf = (recipe: Recipe): PictureSubject => ({
  title: 'Mark',
  recipe,
  sources: new Map(),
  palette,
  dressing: 'full',
  ownFamilies: [],
  ownPictures: new Set(),
});

/** Most that a file may differ from the stage, of 255: pixels 1, PDF 2; one icon in 300, all fine lines at 256 px, is at 1.18. */
const MOST: { readonly [F in FormatName]: number } = { png: 1, webp: 1, tif: 1, svg: 1, avif: 1, pdf: 2, ico: 1.2, jpg: 1 };
const MIME: { readonly [F in FormatName]?: string } = {
  png: 'image/png',
  webp: 'image/webp',
  jpg: 'image/jpeg',
  avif: 'image/avif',
  svg: 'image/svg+xml',
};

describe(`${COUNT} random recipes in every format`, () => {
  it('are what the stage shows, clear where nothing is drawn, without fringe, and pass our own reader too', async () => {
    const worst: Partial<Record<FormatName, number>> = {};
    const faults: string[] = [];
    let fringes = 0;
    for (let seed = 0; seed < COUNT; seed++) {
      const subject = subjectOf(seed % 3 === 2 ? nestedRecipe(seed) : randomMark(4000 + seed));
      for (const format of FORMAT_NAMES) {
        const order = orderFor(format);
        const { drawing, frame } = await framed(subject, order, formatOf(format).pixels || format === 'ico');
        const [width, height] = format === 'ico' ? [256, 256] : [640, 480];
        const file = await FORMATS[format].make(subject, order);
        const verdict = await verifyFile(format, file, subject, order);
        if (!verdict.passes)
          faults.push(
            `${seed} ${format}: ${verdict.checks
              .filter(({ passes }) => !passes)
              .map(({ message }) => message)
              .join('; ')}`,
          );
        const stage = await byChromium(
          Buffer.from(toSvg(drawing, { box: frame.box, title: '', widthPx: width, heightPx: height, ground: order.ground })),
          'image/svg+xml',
          width,
          height,
        );
        const mime = MIME[format];
        const seen = mime
          ? await byChromium(file, mime, width, height)
          : format === 'pdf'
            ? byPoppler(file, width, height)
            : byMagick(file, format);
        if (seen.width !== width || seen.height !== height) faults.push(`${seed} ${format}: ${seen.width} × ${seen.height}`);
        const { mean, fringe } = compared(seen, stage);
        worst[format] = Math.max(worst[format] ?? 0, mean);
        if (mean > MOST[format]) faults.push(`${seed} ${format}: differs by ${mean.toFixed(2)}`);
        if (formatOf(format).clear) {
          fringes = Math.max(fringes, fringe);
          if (fringe > 5) faults.push(`${seed} ${format}: a fringe of ${fringe.toFixed(1)}`);
          const corner = seen.data[3];
          if (corner !== stage.data[3]) faults.push(`${seed} ${format}: corner alpha ${corner}`);
          let painted = 0;
          for (let at = 3; at < seen.data.length; at += 4) if (seen.data[at] !== 0 && clearAround(stage, at)) painted++;
          if (painted > 0) faults.push(`${seed} ${format}: ${painted} pixels painted where nothing is drawn`);
        }
      }
    }
    console.info(
      `worst mean difference of 255: ${Object.entries(worst)
        .map(([format, mean]) => `${format} ${mean.toFixed(2)}`)
        .join(', ')}; colors along edges off by ${fringes.toFixed(2)} at most`,
    );
    expect(faults).toEqual([]);
  }, 3_600_000);
});

/** Whether a pixel and all around it is clear: the tip of a spike is seen by one renderer and not by another. */
function clearAround({ data, width, height }: Picture, at: number): boolean {
  const pixel = (at - 3) / 4;
  const [x, y] = [pixel % width, Math.floor(pixel / width)];
  for (let dy = -4; dy <= 4; dy++)
    for (let dx = -4; dx <= 4; dx++) {
      const [nx, ny] = [x + dx, y + dy];
      if (nx >= 0 && ny >= 0 && nx < width && ny < height && data[(ny * width + nx) * 4 + 3] !== 0) return false;
    }
  return true;
}

describe('what else files say', () => {
  const subject = subjectOf(randomMark(11));
  it('a PDF: its boxes, no fonts, no pictures; several marks are several pages (pdfinfo, pdffonts, pdfimages)', async () => {
    const canvas = canvasSchema.parse({ width: 85.6, height: 53.98, unit: 'mm', airPercent: 10, bleedMm: 3 });
    const from = join(folder, 'boxes.pdf');
    writeFileSync(from, await FORMATS.pdf.make(subject, { canvas, colors: 'cmyk', ground: GROUND, pages: [subjectOf(randomMark(12))] }));
    const info = execFileSync('pdfinfo', ['-box', from], { encoding: 'utf8' });
    expect(info).toMatch(/Pages:\s+2/);
    const box = (name: string) =>
      new RegExp(`${name}:\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)`).exec(info)?.slice(1).map(Number) ?? [];
    const pt = (mm: number) => (mm * 72) / 25.4;
    [0, 0, pt(91.6), pt(59.98)].forEach((side, at) => expect(box('MediaBox')[at]).toBeCloseTo(side, 1));
    [pt(3), pt(3), pt(88.6), pt(56.98)].forEach((side, at) => expect(box('TrimBox')[at]).toBeCloseTo(side, 1));
    expect(execFileSync('pdffonts', [from], { encoding: 'utf8' }).trim().split('\n')).toHaveLength(2);
    expect(execFileSync('pdfimages', ['-list', from], { encoding: 'utf8' }).trim().split('\n')).toHaveLength(2);
  });

  it('a TIFF: exact, with alpha that is not multiplied in, and its density (tiffinfo, of libtiff)', async () => {
    const from = join(folder, 'facts.tif');
    writeFileSync(from, await FORMATS.tif.make(subject, { canvas: canvasSchema.parse({ width: 600, dpi: 300 }) }));
    const info = execFileSync('tiffinfo', [from], { encoding: 'utf8' });
    expect(info).toMatch(/Extra Samples: 1<unassoc-alpha>/);
    expect(info).toMatch(/Resolution: 300, 300 pixels\/inch/);
  });

  it('the same mark is the same file, whenever it is made', async () => {
    for (const format of FORMAT_NAMES) {
      const order = orderFor(format);
      expect(
        Buffer.compare(Buffer.from(await FORMATS[format].make(subject, order)), Buffer.from(await FORMATS[format].make(subject, order))),
        format,
      ).toBe(0);
    }
  });

  it('a PNG of few colors has a palette, and the same pixels', async () => {
    const order = { canvas: canvasSchema.parse({ width: 400 }) };
    const file = await FORMATS.png.make({ ...subject, dressing: 'black' }, order);
    // IHDR's tenth byte of data is the color type: 3 is a palette. @source W3C PNG (Third Edition), 11.2.1
    expect(file[25]).toBe(3);
    expect((await verifyFile('png', file, { ...subject, dressing: 'black' }, order)).passes).toBe(true);
  });

  it('outlines for machines: one for each color, nothing on anything else, the same shape', async () => {
    const order = { canvas: canvasSchema.parse({ width: 80, unit: 'mm' }), welded: true };
    const file = Buffer.from(await FORMATS.svg.make({ ...subject, dressing: 'black' }, order)).toString('utf8');
    expect([...file.matchAll(/<path/g)]).toHaveLength(1);
    expect(file).not.toMatch(/opacity|clip-path|Gradient|stroke/);
    const plain = await FORMATS.svg.make({ ...subject, dressing: 'black' }, { canvas: order.canvas });
    const [welded, whole] = [
      await byChromium(Buffer.from(file), 'image/svg+xml', 640, 480),
      await byChromium(plain, 'image/svg+xml', 640, 480),
    ];
    expect(compared(welded, whole).mean).toBeLessThan(0.5);
  });

  it('a file that is wrong does not pass: another mark, another size, a painted ground, cut off', async () => {
    const order = orderFor('png');
    const right = await FORMATS.png.make(subject, order);
    const fails = async (file: Uint8Array, format: FormatName = 'png') => (await verifyFile(format, file, subject, order)).passes;
    expect(await fails(right)).toBe(true);
    expect(await fails(await FORMATS.png.make(subjectOf(randomMark(12)), order))).toBe(false);
    expect(await fails(await FORMATS.png.make(subject, { ...order, canvas: { ...order.canvas, width: 641 } }))).toBe(false);
    expect(await fails(await FORMATS.png.make(subject, { ...order, ground: '#ffffff' }))).toBe(false);
    expect(await fails(right.subarray(0, right.length / 2))).toBe(false);
    // A part of a hundredth of the canvas that is missing, or of another color.
    const dot = (color: string) =>
      recipeOf(
        { kind: 'shape', id: 'ground', form: { form: 'panel', widthPx: 400, heightPx: 300, cornerPx: 0 }, paint: { role: 'second' } },
        { kind: 'shape', id: 'dot', form: { form: 'disk', widthPx: 30, heightPx: 30 }, paint: { role: color } } as never,
      ) as unknown as Recipe;
    const [ink, lead, none] = [subjectOf(dot('ink')), subjectOf(dot('paper')), subjectOf(dot('second'))];
    for (const wrong of [lead, none])
      expect((await verifyFile('png', await FORMATS.png.make(wrong, order), ink, order)).passes).toBe(false);
    expect((await verifyFile('png', await FORMATS.png.make(ink, order), ink, order)).passes).toBe(true);
    const svg = Buffer.from(await FORMATS.svg.make(subject, order)).toString('utf8');
    for (const strange of ['<text x="0" y="0" font-family="Arial">A</text>', '<image href="/etc/passwd"/>', '<script>1</script>'])
      expect(await fails(Buffer.from(svg.replace('</svg>', `${strange}</svg>`)), 'svg'), strange).toBe(false);
  });
});
