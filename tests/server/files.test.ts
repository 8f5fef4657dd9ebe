import { PNG } from 'pngjs';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { palette, recipeOf, send } from '../support/api';
import { byLibrsvg, coverageOf } from '../support/second-renderer';
import { startTestApp } from '../support/test-app';

let app: Awaited<ReturnType<typeof startTestApp>>;
let brand = '';
beforeAll(async () => {
  app = await startTestApp({ demo: false });
  brand = `${app.url}/api/brands/${(await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Files', palette })).value.slug}`;
});
afterAll(() => app.stop());

type PartInput = Parameters<typeof recipeOf>[0];
async function markOf(name: string, ...parts: readonly PartInput[]): Promise<string> {
  const made = await send<{ slug: string }>(`${brand}/marks`, 'POST', { name, role: 'primary', recipe: recipeOf(...parts) });
  expect(made.status).toBe(201);
  return `${brand}/marks/${made.value.slug}`;
}
const bytesOf = async (address: string): Promise<Buffer> => Buffer.from(await (await fetch(address)).arrayBuffer());
const pngOf = async (address: string): Promise<PNG> => PNG.sync.read(await bytesOf(address));
const at = ({ width, data }: PNG, x: number, y: number) => [...data.subarray((y * width + x) * 4, (y * width + x) * 4 + 4)];
/** The box of everything that is not clear. */
function inkOf({ width, height, data }: PNG) {
  const box = { left: width, top: height, right: -1, bottom: -1 };
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      if ((data[(y * width + x) * 4 + 3] as number) > 0) {
        box.left = Math.min(box.left, x);
        box.right = Math.max(box.right, x);
        box.top = Math.min(box.top, y);
        box.bottom = Math.max(box.bottom, y);
      }
  return box;
}
const panel = (widthPx: number, heightPx: number): PartInput => ({
  kind: 'shape',
  id: 'panel',
  form: { form: 'panel', widthPx, heightPx, cornerPx: 0 },
  paint: { role: 'lead' },
});
const LEAD = [0xb5, 0x48, 0x2d, 255];

describe('the size of a file', () => {
  it('is exact by width, by height and by both, with the mark fitted and in the middle', async () => {
    const mark = await markOf('Wide', panel(300, 100));
    for (const [query, width, height, ink] of [
      ['width=300', 300, 100, [0, 0, 299, 99]],
      ['height=200', 600, 200, [0, 0, 599, 199]],
      ['width=400&height=400', 400, 400, [0, 133, 399, 266]],
      ['width=100&height=300', 100, 300, [0, 133, 99, 166]],
      ['width=101&height=101', 101, 101, [0, 33, 100, 67]],
    ] as const) {
      const png = await pngOf(`${mark}/picture.png?${query}`);
      expect([png.width, png.height], query).toEqual([width, height]);
      const { left, top, right, bottom } = inkOf(png);
      [left, top, right, bottom].forEach((side, index) => expect(Math.abs(side - (ink[index] as number)), query).toBeLessThanOrEqual(1));
    }
  });

  it('keeps the room that is asked for, a share of the longer side, all around', async () => {
    const mark = await markOf('Roomy', panel(200, 100));
    const png = await pngOf(`${mark}/picture.png?width=280&room=20`);
    // 20 % of 200 on either side: 240 wide, of which the panel takes 200.
    expect([png.width, png.height]).toEqual([280, Math.ceil((280 / 280) * 180)]);
    const { left, right, top, bottom } = inkOf(png);
    expect([left, right, top, bottom]).toEqual([40, 239, 40, 139]);
  });

  it('cut round holds the whole mark in the circle, with the margin that its proof has: 6 % of the half diagonal', async () => {
    const mark = await markOf('Round', panel(300, 300));
    const png = await pngOf(`${mark}/picture.png?width=500&crop=round`);
    expect([png.width, png.height]).toEqual([500, 500]);
    const { left, top } = inkOf(png);
    expect(Math.hypot(250 - left, 250 - top) * 1.06).toBeCloseTo(250, -0.5);
  });
});

describe('JPEG and WebP', () => {
  it('have the ground that is asked for; a JPEG is never clear, and says so', async () => {
    const mark = await markOf('Grounds', panel(300, 300));
    const colorAt = async (query: string, x: number, y: number) => {
      const { data, info } = await sharp(await bytesOf(`${mark}/${query}`))
        .ensureAlpha()
        .raw()
        .toBuffer({ resolveWithObject: true });
      return [...data.subarray((y * info.width + x) * 4, (y * info.width + x) * 4 + 4)];
    };
    const near = (one: readonly number[], other: readonly number[]) =>
      one.forEach((value, index) => expect(Math.abs(value - (other[index] as number))).toBeLessThan(5));
    near(await colorAt('picture.webp?width=200&height=300', 100, 10), [0, 0, 0, 0]);
    near(await colorAt('picture.webp?width=200&height=300', 100, 150), LEAD);
    near(await colorAt('picture.webp?width=200&height=300&ground=accent', 100, 10), [0xe8, 0xb8, 0x4b, 255]);
    near(await colorAt('picture.jpg?width=200&height=300', 100, 10), [0xff, 0xfd, 0xf8, 255]);
    near(await colorAt('picture.jpg?width=200&height=300&ground=%23102030', 100, 10), [0x10, 0x20, 0x30, 255]);
    const clear = await fetch(`${mark}/picture.jpg?width=200&ground=clear`);
    expect([clear.status, await clear.text()]).toEqual([422, expect.stringContaining('cannot be transparent') as string]);
    for (const [format, type] of [
      ['jpg', 'image/jpeg'],
      ['webp', 'image/webp'],
    ] as const) {
      const answer = await fetch(`${mark}/picture.${format}?width=200&download=1`);
      expect([answer.headers.get('content-type'), answer.headers.get('content-disposition')]).toEqual([
        type,
        `attachment; filename="files_grounds_200px.${format}"; filename*=UTF-8''files_grounds_200px.${format}`,
      ]);
    }
    expect((await sharp(await bytesOf(`${mark}/picture.jpg?width=600&dpi=300`)).metadata()).density).toBe(300);
  });
});

describe('what files say about their making', () => {
  it('names authors and licenses, never packages or folders', async () => {
    const mark = await markOf('Credits', panel(10, 10), {
      kind: 'lettering',
      id: 'name',
      text: 'Credits',
      font: { family: 'eb-garamond' },
    });
    const [svg, png, jpg] = await Promise.all(
      ['picture.svg', 'picture.png?width=100', 'picture.jpg?width=100'].map(async (file) =>
        (await bytesOf(`${mark}/${file}`)).toString('latin1'),
      ),
    );
    for (const file of [svg, png, jpg]) {
      expect(file).toMatch(/EB Garamond/);
      expect(file).not.toMatch(/fontsource|iconify|node_modules|npm|\/fonts\//i);
    }
  });
});

describe('pictures that are shown smaller than they are', () => {
  it('are sampled as a second renderer samples them: edges are blended, and alike', async () => {
    // Spokes: thin edges at every angle, where one pixel in many would be ragged.
    const spokes = Array.from(
      { length: 24 },
      (_, n) =>
        `<path d="M600 600L${600 + 580 * Math.cos((n * Math.PI) / 12)} ${600 + 580 * Math.sin((n * Math.PI) / 12)}A580 580 0 0 1 ${600 + 580 * Math.cos(((n + 0.5) * Math.PI) / 12)} ${600 + 580 * Math.sin(((n + 0.5) * Math.PI) / 12)}Z" fill="#1f3556"/>`,
    ).join('');
    const file = await sharp(Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="1200">${spokes}</svg>`))
      .png()
      .toBuffer();
    const sent = await fetch(`${brand}/pictures?for=mark&name=spokes.png`, {
      method: 'POST',
      body: new Uint8Array(file),
      headers: { 'content-type': 'application/octet-stream' },
    });
    const stored = (await sent.json()) as { sha256: string; widthPx: number; heightPx: number };
    const mark = await markOf('Spokes', {
      kind: 'picture',
      id: 'photo',
      sha256: stored.sha256,
      fileWidthPx: stored.widthPx,
      fileHeightPx: stored.heightPx,
      sizePx: 300,
      source: { title: 'Spokes', author: 'Us', license: 'client' },
    } as PartInput);
    const svg = await (await fetch(`${mark}/picture.svg`)).text();
    for (const side of [100, 400]) {
      const ours = await pngOf(`${mark}/picture.png?width=${side}&height=${side}`);
      const theirs = byLibrsvg(svg, side, side);
      const blended = ({ data }: PNG) => data.filter((value, index) => index % 4 === 3 && value > 8 && value < 247).length;
      expect(blended(ours) / blended(theirs)).toBeGreaterThan(0.85);
      expect(blended(ours) / blended(theirs)).toBeLessThan(1.25);
      expect(Math.abs(coverageOf(ours) / coverageOf(theirs) - 1)).toBeLessThan(0.01);
      let apart = 0;
      for (let index = 3; index < ours.data.length; index += 4)
        apart += Math.abs((ours.data[index] as number) - (theirs.data[index] as number));
      expect(apart / (side * side)).toBeLessThan(4);
    }
  });
});

describe('mirrored halves', () => {
  it('show no seam at any size: what is full on either side of the mirror is full on it', async () => {
    // Half a drop, cut off at the mirror; and two halves that only touch it.
    const mark = await markOf(
      'Mirrored',
      {
        kind: 'shape',
        id: 'half',
        form: { form: 'disk', widthPx: 300, heightPx: 300 },
        paint: { role: 'ink' },
        place: { x: 37, y: 0, turnDeg: 0 },
      },
      { kind: 'symmetry', id: 'pair', members: ['half'], rule: 'mirror', centerX: 0, crop: true } as PartInput,
    );
    for (let side = 41; side <= 601; side += 35) {
      const png = await pngOf(`${mark}/picture.png?width=${side}&height=${side}`);
      const middle = Math.floor(png.height / 2);
      const { left, right } = inkOf(png);
      for (let x = left + 2; x <= right - 2; x++) expect(at(png, x, middle), `${x} of ${side}`).toEqual([0x22, 0x30, 0x2a, 255]);
    }
  });

  it('and inlays show no hairline of the container where what lies inside covers its edge', async () => {
    const mark = await markOf(
      'Inlaid',
      { kind: 'shape', id: 'disk', form: { form: 'disk', widthPx: 300, heightPx: 300 }, paint: { role: 'ink' } },
      { ...panel(400, 400), paint: { role: 'accent' } } as PartInput,
      { kind: 'inlay', id: 'in', members: ['disk', 'panel'] } as PartInput,
    );
    for (const side of [64, 100, 333, 501]) {
      const { data } = await pngOf(`${mark}/picture.png?width=${side}&height=${side}`);
      const off: string[] = [];
      for (let index = 0; index < data.length; index += 4)
        if (
          (data[index + 3] as number) > 60 &&
          Math.abs((data[index] as number) - 0xe8) + Math.abs((data[index + 1] as number) - 0xb8) > 14
        )
          off.push(`${index / 4}: ${[...data.subarray(index, index + 4)].join()}`);
      expect(off, `at ${side}`).toEqual([]);
    }
    // Where it covers only half, the container keeps its whole edge on the other.
    const half = await markOf(
      'Half inlaid',
      { kind: 'shape', id: 'disk', form: { form: 'disk', widthPx: 300, heightPx: 300 }, paint: { role: 'ink' } },
      { ...panel(400, 400), paint: { role: 'accent' }, place: { x: 200, y: 0, turnDeg: 0 } } as PartInput,
      { kind: 'inlay', id: 'in', members: ['disk', 'panel'] } as PartInput,
    );
    const png = await pngOf(`${half}/picture.png?width=600&height=600`);
    expect(Math.abs(coverageOf(png) / (Math.PI * 300 ** 2) - 1)).toBeLessThan(0.002);
    expect(at(png, 150, 300)).toEqual([0x22, 0x30, 0x2a, 255]);
    expect(at(png, 450, 300)).toEqual([0xe8, 0xb8, 0x4b, 255]);
  });
});
