import { readFileSync } from 'node:fs';
import { crc32 } from 'node:zlib';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { palette, read, recipeOf, send } from '../support/api';
import { fontBytes } from '../support/fonts';
import { startTestApp } from '../support/test-app';

let app: Awaited<ReturnType<typeof startTestApp>>;
let api: string;
beforeAll(async () => {
  app = await startTestApp();
  api = `${app.url}/api/brands`;
});
afterAll(() => app.stop());

const newBrand = async (name: string) => (await send<{ slug: string }>(api, 'POST', { name, palette })).value.slug;
const upload = async <T>(address: string, body: Uint8Array) => {
  const response = await fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/octet-stream' },
    body: new Uint8Array(body),
  });
  return { status: response.status, value: (await response.json()) as T & { detail?: string } };
};

describe('documents', () => {
  it('begin empty, keep what is saved, and refuse a stale save with the newer one at hand', async () => {
    const address = `${api}/${await newBrand('Documents')}/documents/brief`;
    expect(await read(address)).toMatchObject({ number: 0, content: { audience: '', voice: {} } });
    expect((await send(address, 'PUT', { base: 0, content: { audience: 'Sailors', voice: { loudness: 20 } } })).status).toBe(200);
    const stale = await send<{ current: { content: { audience: string } } }>(address, 'PUT', { base: 0, content: { audience: 'Others' } });
    expect([stale.status, stale.value.current.content.audience]).toEqual([409, 'Sailors']);
    expect(await read(address)).toMatchObject({ number: 1, content: { audience: 'Sailors', voice: { loudness: 20 } } });
  });

  it('of unknown kinds or with wrong fields are refused', async () => {
    const brand = await newBrand('Wrong');
    expect((await fetch(`${api}/${brand}/documents/secrets`)).status).toBe(404);
    expect((await send(`${api}/${brand}/documents/brief`, 'PUT', { base: 0, content: { voice: { loudness: 400 } } })).status).toBe(422);
    expect((await send(`${api}/${brand}/documents/type`, 'PUT', { base: 0, content: { kept: [{ family: '../etc' }] } })).status).toBe(422);
  });
});

describe('board pictures', () => {
  const picture = (width: number, height: number, background: string) => sharp({ create: { width, height, channels: 3, background } });

  it('are kept with their colors, for their own brand only', async () => {
    const [mine, theirs] = [await newBrand('Pictures'), await newBrand('Strangers')];
    const added = await upload<{ sha256: string; widthPx: number; colors: { hex: string; share: number }[] }>(
      `${api}/${mine}/pictures?name=red.png`,
      await picture(300, 200, '#b5482d').png().toBuffer(),
    );
    expect([added.status, added.value.widthPx, added.value.colors[0]?.share]).toEqual([201, 300, 1]);
    const [shown, hidden] = [
      await fetch(`${api}/${mine}/pictures/${added.value.sha256}`),
      await fetch(`${api}/${theirs}/pictures/${added.value.sha256}`),
    ];
    expect([shown.status, shown.headers.get('content-type'), hidden.status]).toEqual([200, 'image/webp', 404]);
  });

  it('are turned as their camera meant, and lose their metadata', async () => {
    const brand = await newBrand('Exif');
    const file = await picture(400, 100, '#204060')
      .withMetadata({ orientation: 6 })
      .withExif({ IFD0: { Copyright: 'Somebody private' } })
      .jpeg()
      .toBuffer();
    const added = await upload<{ sha256: string; widthPx: number; heightPx: number }>(`${api}/${brand}/pictures`, file);
    expect([added.value.widthPx, added.value.heightPx]).toEqual([100, 400]);
    const kept = Buffer.from(await (await fetch(`${api}/${brand}/pictures/${added.value.sha256}`)).arrayBuffer());
    expect((await sharp(kept).metadata()).exif).toBeUndefined();
    expect(kept.includes('Somebody private')).toBe(false);
  });

  it('of 60 megapixels are taken in; what is no picture, or is cut off, is refused by name', async () => {
    const brand = await newBrand('Large');
    const large = await upload<{ widthPx: number }>(`${api}/${brand}/pictures`, await picture(10_000, 6000, '#88aa99').jpeg().toBuffer());
    expect([large.status, large.value.widthPx]).toEqual([201, 2000]);
    const cut = (await picture(900, 900, '#112233').png({ compressionLevel: 0 }).toBuffer()).subarray(0, 9000);
    for (const [name, bytes] of [
      ['letter.png', Buffer.from('Dear client')],
      ['cut.png', cut],
      ['script.svg', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>')],
    ] as const) {
      const refused = await upload(`${api}/${brand}/pictures?name=${name}`, bytes);
      expect([refused.status, refused.value.detail?.startsWith(name)], name).toEqual([422, true]);
    }
    // A small file whose header promises 30,000 × 30,000 pixels.
    const promise = await picture(8, 8, '#000000').png().toBuffer();
    promise.writeUInt32BE(30_000, 16);
    promise.writeUInt32BE(30_000, 20);
    promise.writeUInt32BE(crc32(promise.subarray(12, 29)), 29);
    const bomb = await upload(`${api}/${brand}/pictures?name=bomb.png`, promise);
    expect(bomb.value.detail).toContain('bomb.png has 900 million pixels; the limit is 120 million.');
    expect(bomb.status).toBe(422);
  });
});

describe('a client’s own font', () => {
  it('is checked, measured, served and drawn with, for its own brand only', async () => {
    const [mine, theirs] = [await newBrand('Own font'), await newBrand('No font')];
    const file = readFileSync('/usr/share/fonts/opentype/linux-libertine/LinLibertine_R.otf');
    const added = await upload<{ family: string; name: string; embedding: { name: string } }>(`${api}/${mine}/fonts?rights=Licensed`, file);
    expect([added.status, added.value.name, added.value.family.startsWith('own-')]).toEqual([201, 'Linux Libertine O', true]);
    const lettered = recipeOf({ kind: 'lettering', id: 'name', text: 'Own', font: { family: added.value.family } });
    for (const [brand, status] of [
      [mine, 200],
      [theirs, 422],
    ] as const) {
      await send(`${api}/${brand}/marks`, 'POST', { name: 'Primary', role: 'primary', recipe: lettered });
      expect((await fetch(`${api}/${brand}/marks/primary/picture.svg`)).status, brand).toBe(status);
    }
    const [family] = await read<{ faces: { file: string }[] }[]>(`${api}/${mine}/fonts`);
    const address = `${app.url}/fonts/${family?.faces[0]?.file}`;
    expect([(await fetch(address)).status, (await fetch(address.replace(mine, theirs))).status]).toEqual([200, 404]);
    expect(await read(`${api}/${theirs}/fonts`)).toEqual([]);
  });

  it('that is packed as WOFF2 is the same font; a damaged one is refused and leaves nothing', async () => {
    const brand = await newBrand('Packed');
    const packed = await upload<{ name: string }>(`${api}/${brand}/fonts`, readFileSync('fonts/jost/jost-latin-wght-normal.woff2'));
    expect([packed.status, packed.value.name]).toEqual([201, 'Jost']);
    const damaged = Uint8Array.from(await fontBytes('italiana/Italiana_400Regular.ttf')).subarray(0, 4000);
    const refused = await upload<{ problems: { fix?: string }[] }>(`${api}/${brand}/fonts`, damaged);
    expect([refused.status, refused.value.detail]).toEqual([422, expect.stringContaining('reaches beyond the end of the file')]);
    expect(refused.value.problems[0]?.fix).toBeDefined();
    expect(await read<unknown[]>(`${api}/${brand}/fonts`)).toHaveLength(1);
  });
});
