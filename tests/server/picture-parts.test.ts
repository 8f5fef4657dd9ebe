import { crc32, deflateSync } from 'node:zlib';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { palette, read, recipeOf, send } from '../support/api';
import { byLibrsvg } from '../support/second-renderer';
import { startTestApp } from '../support/test-app';

let app: Awaited<ReturnType<typeof startTestApp>>;
let api = '';
beforeAll(async () => {
  app = await startTestApp();
  api = `${app.url}/api/brands`;
});
afterAll(() => app.stop());

const newBrand = async (name: string) => (await send<{ slug: string }>(api, 'POST', { name, palette })).value.slug;

interface Stored {
  readonly sha256: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly detail?: string;
}
async function bring(brand: string, bytes: Uint8Array, name = 'photo.png') {
  const answer = await fetch(`${api}/${brand}/pictures?for=mark&name=${name}`, {
    method: 'POST',
    body: new Uint8Array(bytes),
    headers: { 'content-type': 'application/octet-stream' },
  });
  return { status: answer.status, value: (await answer.json()) as Stored };
}

/** Four quarters: red, green, blue, and clear. */
const quarters = async (side: number, format: 'png' | 'webp' = 'png') => {
  const data = Buffer.alloc(side * side * 4);
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) {
      const right = x >= side / 2;
      const low = y >= side / 2;
      data.set(low ? (right ? [0, 0, 0, 0] : [0, 0, 255, 255]) : right ? [0, 255, 0, 255] : [255, 0, 0, 255], (y * side + x) * 4);
    }
  return sharp(data, { raw: { width: side, height: side, channels: 4 } })
    .toFormat(format, { lossless: true })
    .toBuffer();
};

/** A square PNG of black pixels, one bit each, written chunk by chunk. @source W3C PNG (Third Edition), 5.3 and 11.2 */
function blackPng(side: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
    const [length, check] = [Buffer.alloc(4), Buffer.alloc(4)];
    length.writeUInt32BE(data.length);
    check.writeUInt32BE(crc32(body));
    return Buffer.concat([length, body, check]);
  };
  const header = Buffer.alloc(13);
  header.writeUInt32BE(side, 0);
  header.writeUInt32BE(side, 4);
  header[8] = 1;
  const rows = deflateSync(Buffer.alloc(side * (1 + Math.ceil(side / 8))), { level: 1 });
  return Buffer.concat([
    Buffer.from('89504e470d0a1a0a', 'hex'),
    chunk('IHDR', header),
    chunk('IDAT', rows),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

async function markWith(brand: string, { sha256, widthPx, heightPx }: Stored, more: object = {}) {
  const recipe = recipeOf(
    { kind: 'shape', id: 'panel', form: { form: 'panel', widthPx: 300, heightPx: 300, cornerPx: 0 }, paint: { role: 'lead' } },
    {
      kind: 'picture',
      id: 'photo',
      sha256,
      fileWidthPx: widthPx,
      fileHeightPx: heightPx,
      sizePx: 200,
      source: { title: 'Quarters', author: 'Us', license: 'client' },
      ...more,
    } as Parameters<typeof recipeOf>[0],
  );
  const made = await send<{ slug: string }>(`${api}/${brand}/marks`, 'POST', { name: 'With picture', role: 'primary', recipe });
  expect(made.status).toBe(201);
  return `${api}/${brand}/marks/${made.value.slug}`;
}
const pixels = (png: Buffer, side: number) => {
  const { data } = PNG.sync.read(png);
  return (x: number, y: number) => [...data.subarray((y * side + x) * 4, (y * side + x) * 4 + 4)];
};

describe('pictures in marks', () => {
  it('come out of every file where they stand: our renderer and a second one (librsvg) agree; clear stays clear', async () => {
    const brand = await newBrand('Quarters');
    const stored = (await bring(brand, await quarters(100))).value;
    const mark = await markWith(brand, stored);
    const ours = pixels(Buffer.from(await (await fetch(`${mark}/picture.png?width=300`)).arrayBuffer()), 300);
    const answer = await fetch(`${mark}/picture.svg`);
    const svg = await answer.text();
    expect(answer.headers.get('content-security-policy')).toContain('img-src data:');
    expect(svg.match(/href="[^"]{0,22}/g)).toEqual(['href="data:image/png;base64,']);
    expect(svg).toContain('Quarters (picture): Us');
    const theirs = pixels(PNG.sync.write(byLibrsvg(svg, 300, 300)), 300);
    const lead = [0xb5, 0x48, 0x2d, 255];
    for (const [x, y, color] of [
      [100, 100, [255, 0, 0, 255]],
      [200, 100, [0, 255, 0, 255]],
      [100, 200, [0, 0, 255, 255]],
      [200, 200, lead],
      [20, 20, lead],
    ] as const) {
      expect(ours(x, y), `ours at ${x} ${y}`).toEqual(color);
      expect(theirs(x, y), `theirs at ${x} ${y}`).toEqual(color);
    }
  });

  it('only to look at are in no file', async () => {
    const brand = await newBrand('Looking');
    const stored = (await bring(brand, await quarters(100))).value;
    const mark = await markWith(brand, stored, { reference: true });
    const svg = await (await fetch(`${mark}/picture.svg`)).text();
    expect(svg).not.toContain('<image');
    expect(svg).not.toContain('Quarters');
    const png = pixels(Buffer.from(await (await fetch(`${mark}/picture.png?width=300`)).arrayBuffer()), 300);
    expect(png(100, 100)).toEqual([0xb5, 0x48, 0x2d, 255]);
  });

  it('keep every pixel of exact formats, up to 5,400 of them to a side', async () => {
    const brand = await newBrand('Exact');
    const stored = (await bring(brand, await quarters(64))).value;
    const kept = Buffer.from(await (await fetch(`${api}/${brand}/pictures/${stored.sha256}`)).arrayBuffer());
    const [one, other] = await Promise.all([kept, await quarters(64)].map((file) => sharp(file).ensureAlpha().raw().toBuffer()));
    // Colors under full clearness are not seen, and may differ.
    const visible = (data: Buffer | undefined) => data?.map((value, at) => ((data[at - (at % 4) + 3] ?? 0) === 0 ? 0 : value));
    expect(Buffer.compare(Buffer.from(visible(one) ?? []), Buffer.from(visible(other) ?? []))).toBe(0);
    const broad = await sharp({ create: { width: 9000, height: 30, channels: 3, background: '#88aa99' } })
      .jpeg()
      .toBuffer();
    expect((await bring(brand, broad, 'broad.jpg')).value).toMatchObject({ widthPx: 5400, heightPx: 18 });
  });

  it('are turned as their camera meant and lose what the camera wrote', async () => {
    const brand = await newBrand('Camera');
    const turned = await sharp(await quarters(40))
      .flatten()
      .resize(40, 20, { fit: 'fill' })
      .withMetadata({ orientation: 8 })
      .withExif({ IFD0: { Artist: 'Somebody private' } })
      .webp({ lossless: true })
      .toBuffer();
    const stored = (await bring(brand, turned, 'turned.webp')).value;
    expect([stored.widthPx, stored.heightPx]).toEqual([20, 40]);
    const kept = Buffer.from(await (await fetch(`${api}/${brand}/pictures/${stored.sha256}`)).arrayBuffer());
    expect(kept.includes('Somebody private')).toBe(false);
  });

  it('cut off in the middle, of 30,000 × 30,000 px, or gone from the store are refused with the reason', async () => {
    const brand = await newBrand('Broken');
    const noise = Buffer.from(Array.from({ length: 300 * 300 * 3 }, (_, at) => (at * 7919) % 251));
    const whole = await sharp(noise, { raw: { width: 300, height: 300, channels: 3 } })
      .png()
      .toBuffer();
    const cut = await bring(brand, whole.subarray(0, Math.floor(whole.length / 2)), 'cut.png');
    expect([cut.status, cut.value.detail?.startsWith('cut.png could not be read')]).toEqual([422, true]);
    // A real file of that size, not only a header that says so.
    const vast = blackPng(30_000);
    const refused = await bring(brand, vast, 'vast.png');
    expect([refused.status, refused.value.detail]).toEqual([422, 'vast.png has 900 million pixels; the limit is 120 million.']);
    const mark = await markWith(brand, { sha256: 'f'.repeat(64), widthPx: 10, heightPx: 10 });
    const gone = await fetch(`${mark}/picture.png?width=300`);
    expect([gone.status, ((await gone.json()) as { detail: string }).detail]).toEqual([
      422,
      'A picture of this mark does not belong to this brand.',
    ]);
  });

  it('copied into another brand are shown there once it has taken them over', async () => {
    const [mine, theirs] = [await newBrand('Giver'), await newBrand('Taker')];
    const { sha256 } = (await bring(mine, await quarters(20))).value;
    const there = `${api}/${theirs}/pictures/${sha256}`;
    expect((await fetch(there)).status).toBe(404);
    expect((await send(there, 'PUT', {})).status).toBe(422); // Nobody is named who lends it.
    expect((await send(`${there}?from=${theirs}`, 'PUT', {})).status).toBe(404);
    for (let twice = 0; twice < 2; twice++) expect((await send(`${there}?from=${mine}`, 'PUT', {})).status).toBe(200);
    expect((await fetch(there)).status).toBe(200);
    expect((await send(`${api}/${theirs}/pictures/${'0'.repeat(64)}?from=${mine}`, 'PUT', {})).status).toBe(404);
    expect((await read<{ name?: string }>(`${api}/${theirs}`)).name).toBe('Taker');
  });
});
