import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { canvasSchema, judgeDelivery, type FormatName, type Palette, type ProcessName, type Recipe } from '$core/index';
import { FORMATS, type FileOrder } from '$lib/server/formats';
import { moodOf } from '$lib/server/print-desk/letters';
import { measureDelivery } from '$lib/server/print-desk/measure';
import { nameRecipe, palette, read, recipeOf, send } from '../support/api';
import { oneInEvery } from '../support/deep';
import { startTestApp } from '../support/test-app';

// Every file is made for one rule, by hand or by another writer; the desk has to see that rule broken and no other.
const svg = (body: string, width = 60, height = 40, unit = 'mm') =>
  Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}${unit}" height="${height}${unit}" viewBox="0 0 ${width} ${height}">${body}</svg>`,
  );
const box = (x: number, y: number, w: number, h: number, fill = '#22302a', more = '') =>
  `<path fill="${fill}"${more} d="M${x} ${y}L${x + w} ${y}L${x + w} ${y + h}L${x} ${y + h}Z"/>`;
/** A PNG drawn by librsvg, on a clear ground or on a color. */
async function png(
  body: string,
  { dpi = 300, ground, blur, threshold = false, width = 100, height = 80, as = 'png' as 'png' | 'tiff' | 'jpeg' } = {} as {
    dpi?: number;
    ground?: string;
    blur?: number;
    threshold?: boolean;
    width?: number;
    height?: number;
    as?: 'png' | 'tiff' | 'jpeg';
  },
): Promise<Buffer> {
  const px = (mm: number) => Math.round((mm / 25.4) * dpi);
  const text = svg(body, width, height)
    .toString()
    .replace(/width="[^"]*" height="[^"]*"/, `width="${px(width)}" height="${px(height)}"`);
  let drawn = sharp(Buffer.from(text)).ensureAlpha();
  if (blur) drawn = sharp(await drawn.png().toBuffer()).blur(blur);
  if (ground) drawn = drawn.flatten({ background: ground });
  if (threshold) {
    const { data, info } = await drawn.raw().toBuffer({ resolveWithObject: true });
    for (let at = 3; at < data.length; at += 4) data[at] = (data[at] as number) > 127 ? 255 : 0;
    drawn = sharp(data, { raw: { width: info.width, height: info.height, channels: 4 } });
  }
  const said = drawn.withMetadata({ density: dpi });
  return (as === 'tiff' ? said.tiff({ compression: 'deflate' }) : said.toFormat(as)).toBuffer();
}
const plate = box(20, 20, 60, 40);
const colors: Palette = { ink: '#22302a', paper: '#fffdf8', lead: '#b5482d', second: '#5d7f9e', accent: '#e8b84b' };
const panel = (widthPx: number, heightPx: number, more: object = {}) =>
  ({ kind: 'shape', id: `p${widthPx}`, form: { form: 'panel', widthPx, heightPx, cornerPx: 0 }, ...more }) as never;
const made = (
  format: FormatName,
  recipe: unknown,
  { canvas, ...order }: Omit<Partial<FileOrder>, 'canvas'> & { readonly canvas: object },
): Promise<Uint8Array> =>
  FORMATS[format].make(
    {
      title: 'x',
      recipe: recipe as Recipe,
      sources: new Map(),
      palette: colors,
      dressing: 'full',
      ownFamilies: [],
      ownPictures: new Set(),
    },
    { ...order, canvas: canvasSchema.parse(canvas) },
  );
const CARD = { width: 85.6, height: 53.98, unit: 'mm', airPercent: 20, bleedMm: 3 };
const card = (more: object = {}, order: Partial<FileOrder> = {}) =>
  made('pdf', recipeOf(panel(300, 100)), { canvas: { ...CARD, ...more }, colors: 'cmyk', ground: '#fffdf8', ...order });

type Case = readonly [
  what: string,
  process: ProcessName,
  format: FormatName,
  file: () => Promise<Uint8Array> | Uint8Array,
  codes: readonly string[],
  widthMm?: number,
];
const noise = Buffer.from('not a picture at all');
/** Two disks of a hand's width with a gap between them. */
const gap = (mm: number) => box(10, 10, 20, 20) + box(30 + mm, 10, 20, 20);
const welded = (d: string) => `<path fill="#22302a" d="${d}"/>`;
const hilt = (mm: number) => welded(`M10 10L30 10L30 19L50 19L50 ${19 + mm}L30 ${19 + mm}L30 30L10 30Z`);

const CASES: readonly Case[] = [
  ['a plate', 'shirt', 'png', () => png(plate), []],
  ['a plate as TIFF', 'shirt', 'tif', () => png(plate, { as: 'tiff' }), []],
  ['outlines', 'shirt', 'svg', () => svg(box(10, 10, 80, 60), 100, 80), []],
  ['on white', 'shirt', 'png', () => png(plate, { ground: '#ffffff' }), ['no-alpha']],
  ['on black', 'sticker', 'png', () => png(plate, { ground: '#000000' }), ['no-alpha']],
  ['a JPEG', 'shirt', 'jpg', () => png(plate, { ground: '#ffffff', as: 'jpeg' }), ['format', 'no-alpha']],
  ['too coarse', 'shirt', 'png', () => png(plate, { dpi: 120 }), ['too-coarse']],
  ['coarse for its size on the goods', 'shirt', 'png', () => png(plate, { dpi: 300 }), ['too-coarse'], 300],
  ['too small', 'shirt', 'png', () => png(plate), ['too-small'], 40],
  ['too large', 'sticker', 'svg', () => svg(box(10, 10, 80, 60), 100, 80), ['too-large'], 900],
  ['nothing on it', 'sticker', 'png', () => png(''), ['empty']],
  ['not a picture', 'shirt', 'png', () => noise, ['unreadable']],
  ['not a PDF', 'card', 'pdf', () => noise, ['unreadable']],
  ['soft', 'shirt', 'png', () => png(box(30, 30, 8, 8), { blur: 40 }), ['soft-edges']],
  ['a hairline on a shirt', 'shirt', 'png', () => png(plate + box(80, 39, 15, 0.15).replace('M80', 'M79.9')), ['thin-stroke']],
  ['a hairline gap on a sticker', 'sticker', 'png', () => png(box(10, 20, 30, 40) + box(40.12, 20, 30, 40)), ['thin-gap']],
  ['a white fringe', 'sticker', 'png', fringed, ['fringe']],
  ['a card', 'card', 'pdf', () => card(), []],
  ['a card without bleed', 'card', 'pdf', () => card({ bleedMm: 0 }), ['no-bleed']],
  ['a card with half of the bleed', 'card', 'pdf', () => card({ bleedMm: 1.5 }), ['no-bleed']],
  ['a card of another size', 'card', 'pdf', () => card({ width: 90 }), ['wrong-size']],
  ['a card in the colors of screens', 'card', 'pdf', () => card({}, { colors: 'rgb' }), ['screen-colors']],
  ['a card as SVG', 'card', 'svg', () => svg(box(10, 10, 60, 30), 85.6, 53.98), ['format', 'no-bleed']],
  ['a block', 'vinyl', 'svg', () => svg(box(10, 10, 40, 20)), []],
  [
    'a stroke',
    'vinyl',
    'svg',
    () => svg('<path fill="none" stroke="#22302a" stroke-width="6" d="M10 10L50 10L50 30L10 30Z"/>'),
    ['strokes'],
  ],
  ['open cuts', 'vinyl', 'svg', () => svg('<path fill="#22302a" d="M10 10L50 10L50 30L10 30"/>'), ['open-cuts']],
  ['two colors', 'vinyl', 'svg', () => svg(box(5, 10, 20, 20) + box(35, 10, 20, 20, '#b5482d')), ['too-many-colors']],
  [
    'a gradient',
    'embroidery',
    'svg',
    () =>
      svg(
        `<linearGradient id="g"><stop offset="0" stop-color="#22302a"/><stop offset="1" stop-color="#22302a"/></linearGradient>${box(10, 10, 40, 20, 'url(#g)')}`,
      ),
    ['gradients'],
  ],
  ['half clear', 'stamp', 'svg', () => svg(box(10, 10, 40, 20, '#22302a', ' fill-opacity="0.5"')), ['half-clear']],
  ['outlines on outlines', 'vinyl', 'svg', () => svg(box(10, 10, 30, 20) + box(20, 10, 30, 20)), ['overlaps']],
  [
    'a picture',
    'stamp',
    'svg',
    () => svg(`${box(10, 10, 40, 20)}<image x="60" y="60" width="1" height="1" href="data:image/png;base64,iVBORw0KGgo="/>`),
    ['pictures'],
  ],
  ['a font', 'vinyl', 'svg', () => svg(`${box(10, 10, 40, 20)}<text x="100" y="100"> </text>`), ['fonts']],
  ['a thin bar in vinyl', 'vinyl', 'svg', () => svg(hilt(0.4)), ['thin-stroke']],
  ['a bar that holds', 'vinyl', 'svg', () => svg(hilt(1.4)), []],
  ['a thin bar in thread', 'embroidery', 'svg', () => svg(hilt(0.6)), ['thin-stroke']],
  ['the same bar as a stamp', 'stamp', 'svg', () => svg(hilt(0.6)), []],
  ['the same bar engraved', 'engraving', 'svg', () => svg(hilt(0.1)), ['thin-stroke']],
  ['a narrow gap in vinyl', 'vinyl', 'svg', () => svg(gap(0.5)), ['thin-gap']],
  ['the same gap engraved', 'engraving', 'svg', () => svg(gap(0.5)), []],
  ['a narrow gap in a stamp', 'stamp', 'svg', () => svg(gap(0.2)), ['thin-gap']],
  ['a stamp as large as a plate', 'stamp', 'svg', () => svg(box(10, 10, 140, 80), 160, 100), ['too-large']],
  ['a stamp of a speck', 'stamp', 'svg', () => svg(box(1, 1, 5, 3), 7, 5), ['too-small']],
  ['gray pixels', 'engraving', 'png', () => png(`<circle cx="50" cy="40" r="25" fill="#22302a"/>`, { dpi: 600 }), ['gray']],
  ['hard pixels', 'engraving', 'png', () => png(`<circle cx="50" cy="40" r="25" fill="#22302a"/>`, { dpi: 600, threshold: true }), []],
  ['hard pixels that are too coarse', 'engraving', 'png', () => png(plate, { dpi: 300, threshold: true }), ['too-coarse']],
  [
    'seven colors of thread',
    'embroidery',
    'svg',
    () =>
      svg(
        ['#111111', '#772222', '#227722', '#222277', '#777722', '#772277', '#227777']
          .map((fill, at) => box(2 + at * 8, 10, 5, 20, fill))
          .join(''),
      ),
    ['too-many-colors'],
  ],
  [
    'our own outlines for machines',
    'vinyl',
    'svg',
    () => made('svg', recipeOf(panel(200, 100), panel(100, 200)), { canvas: { width: 80, unit: 'mm' }, welded: true }),
    [],
  ],
  [
    'our own PDF for machines',
    'embroidery',
    'pdf',
    () => made('pdf', recipeOf(panel(200, 100)), { canvas: { width: 80, unit: 'mm', airPercent: 4 }, welded: true }),
    [],
  ],
];

/** Drawn on white, and the white made clear afterwards: edges keep a rest of it. */
async function fringed(): Promise<Buffer> {
  const onWhite = await png(`<circle cx="50" cy="40" r="30" fill="#22302a"/>`, { ground: '#ffffff' });
  const { data, info } = await sharp(onWhite).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  for (let at = 0; at < data.length; at += 4) {
    const light = Math.min(data[at] as number, data[at + 1] as number, data[at + 2] as number);
    data[at + 3] = light > 250 ? 0 : light > 90 ? 160 : 255;
  }
  return sharp(data, { raw: { width: info.width, height: info.height, channels: 4 } })
    .withMetadata({ density: 300 })
    .png()
    .toBuffer();
}

describe(`the print desk, with ${CASES.length} files made for its rules`, () => {
  const cases = CASES.map(([what, process, format, file, codes, widthMm]) => ({ what, process, format, file, codes, widthMm }));
  it.each(oneInEvery(2, cases))(
    '$what for $process ($format): says what it should and nothing else',
    async ({ process, format, file, codes, widthMm }) => {
      const order = { process, format, ...(widthMm === undefined ? {} : { widthMm }) };
      const delivery = await measureDelivery(await file(), order);
      const { accepted, reasons } = judgeDelivery(process, delivery);
      expect(
        reasons.map(({ code }) => code),
        JSON.stringify([reasons, delivery]),
      ).toEqual(codes);
      expect(accepted).toBe(codes.length === 0);
    },
  );

  it('finds the place of a thin stroke to a millimetre, and its thickness to a quarter', async () => {
    const { thinStroke } = await measureDelivery(svg(hilt(0.4)), { process: 'vinyl', format: 'svg' });
    expect(thinStroke?.xMm).toBeGreaterThan(29);
    expect(thinStroke?.xMm).toBeLessThan(51);
    expect(Math.abs((thinStroke?.yMm ?? 0) - 19.2)).toBeLessThan(1);
    expect(Math.abs((thinStroke?.mm ?? 0) - 0.4)).toBeLessThan(0.15);
  });
});

describe('a letter to the desk', () => {
  let app: Awaited<ReturnType<typeof startTestApp>>;
  let worker: Awaited<ReturnType<typeof app.worker>>;
  beforeAll(async () => {
    app = await startTestApp({ demo: false });
    worker = await app.worker();
  });
  afterAll(async () => {
    await worker.stop();
    await app.stop();
  });

  it('is answered in its time; one that is lost stays without an answer, and says by when it was promised', async () => {
    const brand = `${app.url}/api/brands/${(await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Desk', palette })).value.slug}`;
    const mark = (await send<{ id: string }>(`${brand}/marks`, 'POST', { name: 'Primary', role: 'primary', recipe: nameRecipe('Salt') }))
      .value;
    const sizes = [{ label: 'small', canvas: canvasSchema.parse({ width: 300, height: 300, dpi: 300 }) }];
    const plan = {
      pattern: '{mark}',
      packs: [{ id: 'p', kind: 'products', marks: [mark.id], dressings: ['full'], formats: ['png'], sizes }],
    };
    const pack = await send<{ id: string; files: { id: string }[] }>(`${brand}/handovers`, 'POST', {
      id: randomUUID(),
      name: 'Pack',
      plan,
    });
    await expect
      .poll(async () => (await read<{ files: { state: string }[] }>(`${brand}/handovers/${pack.value.id}`)).files[0]?.state)
      .toBe('done');
    const [quick, lost] = [`${randomUUID().slice(0, -2)}00`, `${randomUUID().slice(0, -1)}f`];
    expect([moodOf(quick).afterS, moodOf(lost).afterS]).toEqual([1, undefined]);
    const post = (id: string) =>
      send<{ dueAt: string }>(`${brand}/print-orders`, 'POST', { id, file: pack.value.files[0]?.id, process: 'shirt' });
    expect([(await post(quick)).status, (await post(lost)).status, (await post(quick)).status]).toEqual([202, 202, 202]);
    type Letter = { id: string; answer: { accepted: boolean; reasons: { code: string }[] } | null; dueAt: string };
    const letters = () => read<Letter[]>(`${brand}/print-orders`);
    await expect
      .poll(async () => (await letters()).find(({ id }) => id === quick)?.answer?.reasons.map(({ code }) => code))
      .toContain('too-small');
    const all = await letters();
    expect(all).toHaveLength(2);
    expect(all.find(({ id }) => id === lost)?.answer).toBeNull();
    expect((await send(`${brand}/print-orders`, 'POST', { id: randomUUID(), file: randomUUID(), process: 'shirt' })).status).toBe(404);
    expect(
      (await send(`${brand}/print-orders`, 'POST', { id: randomUUID(), file: pack.value.files[0]?.id, process: 'weaving' })).status,
    ).toBe(422);
  });
});
