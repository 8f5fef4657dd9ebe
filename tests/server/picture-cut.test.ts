import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { palette, send } from '../support/api';
import { knownGround, maskLikeness, type KnownGround } from '../support/known-grounds';
import { startTestApp } from '../support/test-app';

interface Stored {
  readonly sha256: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly outline?: string;
  readonly problems?: readonly { readonly code: string; readonly message: string }[];
}

let app: Awaited<ReturnType<typeof startTestApp>>;
let pictures = '';
let others = '';
const newBrand = async (name: string): Promise<string> => {
  const api = `${app.url}/api/brands`;
  return `${api}/${(await send<{ slug: string }>(api, 'POST', { name, palette })).value.slug}/pictures`;
};
beforeAll(async () => {
  app = await startTestApp({ demo: false });
  pictures = await newBrand('Cutting');
  others = await newBrand('Elsewhere');
});
afterAll(() => app.stop());

const bring = async (bytes: Buffer): Promise<Stored> => {
  const body = new Uint8Array(bytes);
  const response = await fetch(`${pictures}?name=heron.png&for=mark`, {
    method: 'POST',
    body,
    headers: { 'content-type': 'application/octet-stream' },
  });
  expect(response.status).toBe(201);
  return (await response.json()) as Stored;
};
const pngOf = ({ pixels }: KnownGround): Promise<Buffer> =>
  sharp(Buffer.from(pixels.rgba), { raw: { width: pixels.columns, height: pixels.rows, channels: 4 } })
    .png()
    .toBuffer();
const cut = async (sha256: string, body: unknown, home = pictures): Promise<{ readonly status: number; readonly value: Stored }> => {
  const response = await fetch(`${home}/${sha256}/cut`, {
    method: 'POST',
    body: JSON.stringify(body),
    headers: { 'content-type': 'application/json' },
  });
  return { status: response.status, value: (await response.json()) as Stored };
};

describe('the ground of a stored picture', () => {
  it('is taken out at its full size, with true alpha; the picture it was stays; the same strokes give the same file', async () => {
    const known = knownGround('A', 2);
    const whole = await bring(await pngOf(known));
    const { status, value } = await cut(whole.sha256, { strokes: [] });
    expect(status).toBe(201);
    expect([value.widthPx, value.heightPx]).toEqual([known.pixels.columns, known.pixels.rows]);
    expect(value.outline).toBeTruthy();
    const file = Buffer.from(await (await fetch(`${pictures}/${value.sha256}`)).arrayBuffer());
    const { data } = await sharp(file).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
    const alpha = Float32Array.from({ length: known.alpha.length }, (_, at) => (data[at * 4 + 3] as number) / 255);
    expect(maskLikeness(alpha, known.alpha)).toBeGreaterThan(0.98);
    expect((await fetch(`${pictures}/${whole.sha256}`)).status).toBe(200);
    expect((await cut(whole.sha256, { strokes: [] })).value.sha256).toBe(value.sha256);
  });
  it('is refused in a sentence: where all is ground, with strokes that are none, of a picture of another brand', async () => {
    const flat = await bring(
      await sharp({ create: { width: 120, height: 90, channels: 3, background: '#88aabb' } })
        .png()
        .toBuffer(),
    );
    const nothing = await cut(flat.sha256, { strokes: [] });
    expect(nothing.status).toBe(422);
    expect(nothing.value.problems?.[0]?.message).toBe('Nothing in heron.png stands out from its ground.');
    const brushed = { as: 'keep', points: [[0.5, 0.5]], width: 0.2, exact: true };
    expect((await cut(flat.sha256, { strokes: [brushed] })).status).toBe(201);
    for (const strokes of [
      [{ ...brushed, points: [] }],
      [{ ...brushed, as: 'shave' }],
      [{ ...brushed, width: 9 }],
      'all',
      Array(300).fill(brushed),
    ])
      expect((await cut(flat.sha256, { strokes })).status).toBe(422);
    expect((await cut(flat.sha256, { strokes: [brushed] }, others)).status).toBe(404);
    expect((await cut('f'.repeat(64), { strokes: [] })).status).toBe(404);
    expect((await cut('nothing', { strokes: [] })).status).toBe(404);
  });
  it('is taken out of pictures in process inks, with alpha, and moving ones', async () => {
    const known = knownGround('A', 3);
    const inks = await sharp(await pngOf(known))
      .toColourspace('cmyk')
      .jpeg({ quality: 95 })
      .toBuffer();
    const moving = await sharp(await pngOf(known))
      .gif()
      .toBuffer();
    for (const bytes of [inks, moving]) {
      const whole = await bring(bytes);
      const { status, value } = await cut(whole.sha256, { strokes: [] });
      expect(status).toBe(201);
      const { channels } = await sharp(Buffer.from(await (await fetch(`${pictures}/${value.sha256}`)).arrayBuffer())).metadata();
      expect(channels).toBe(4);
    }
  });
});

describe('a stored picture blurred', () => {
  const soften = async (sha256: string, body: unknown, home = pictures): Promise<{ readonly status: number; readonly value: Stored }> => {
    const response = await fetch(`${home}/${sha256}/softened`, {
      method: 'POST',
      body: JSON.stringify(body),
      headers: { 'content-type': 'application/json' },
    });
    return { status: response.status, value: (await response.json()) as Stored };
  };
  /** The normal distribution's share below x. @source M. Abramowitz, I. Stegun, "Handbook of Mathematical Functions", 26.2.17: error below 7.5e-8 */
  const below = (x: number): number => {
    const t = 1 / (1 + 0.2316419 * Math.abs(x));
    const poly = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
    const tail = (poly * Math.exp((-x * x) / 2)) / Math.sqrt(2 * Math.PI);
    return x >= 0 ? 1 - tail : tail;
  };
  it('has at an edge the profile of a normal distribution; the same blur gives the same file, and the picture it was stays', async () => {
    const [wide, high] = [400, 300];
    const gray = Buffer.from(Uint8Array.from({ length: wide * high }, (_, at) => (at % wide < wide / 2 ? 0 : 255)));
    const whole = await bring(
      await sharp(gray, { raw: { width: wide, height: high, channels: 1 } })
        .png()
        .toBuffer(),
    );
    const made = await soften(whole.sha256, { percent: 2 });
    expect(made.status).toBe(201);
    expect([made.value.widthPx, made.value.heightPx]).toEqual([wide, high]);
    expect((await soften(whole.sha256, { percent: 2 })).value.sha256).toBe(made.value.sha256);
    expect((await soften(whole.sha256, { percent: 1 })).value.sha256).not.toBe(made.value.sha256);
    const bytes = Buffer.from(await (await fetch(`${pictures}/${made.value.sha256}`)).arrayBuffer());
    const row = await sharp(bytes).extract({ left: 0, top: 150, width: wide, height: 1 }).toColourspace('b-w').raw().toBuffer();
    const sigma = (2 / 100) * wide;
    for (let x = 150; x < 250; x += 5) expect(Math.abs((row[x] as number) - 255 * below((x + 0.5 - wide / 2) / sigma))).toBeLessThan(5);
    expect((await fetch(`${pictures}/${whole.sha256}`)).status).toBe(200);
  });
  it('is refused in a sentence where it is another brand’s, none, or blurred beyond measure', async () => {
    const whole = await bring(await pngOf(knownGround('A', 2)));
    expect((await soften(whole.sha256, { percent: 1 }, others)).status).toBe(404);
    expect((await soften('f'.repeat(64), { percent: 1 })).status).toBe(404);
    expect((await soften('not-a-digest', { percent: 1 })).status).toBe(404);
    for (const percent of [0, -1, 50, 'much', null]) expect((await soften(whole.sha256, { percent })).status).toBe(422);
    expect((await soften(whole.sha256, { percent: 1, more: 1 })).status).toBe(422);
  });
});
