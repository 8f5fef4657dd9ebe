import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { blended, photoDeskSchema, startStamp, type PhotoDesk } from '$core/index';
import { nameRecipe, palette, read, send } from '../support/api';
import { casesOf } from '../support/deep';
import { random } from '../support/random';
import { startTestApp } from '../support/test-app';

const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

interface Shown {
  readonly id: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly bits: number;
  readonly profile?: string;
  readonly notes: readonly string[];
}
interface Refused {
  readonly problems?: readonly { readonly message: string }[];
}
const said = (value: Refused) => (value.problems ?? []).map(({ message }) => message).join(' ');
interface Run {
  readonly id: string;
  readonly files: readonly {
    readonly id: string;
    readonly name: string;
    readonly state: string;
    readonly report: {
      readonly protectedShare: number;
      readonly stamps: readonly { readonly choice?: { readonly tone: string } }[];
    } | null;
    readonly reason: readonly { readonly message: string }[] | null;
  }[];
}

/** A photo of plain noise around a tone, from a seed. */
const noisy = (seed: number, width: number, height: number, tone: number) => {
  const next = random(seed);
  return sharp(Buffer.from(Uint8Array.from({ length: width * height * 3 }, () => Math.max(0, Math.min(255, tone + (next() - 0.5) * 24)))), {
    raw: { width, height, channels: 3 },
  });
};

let app: Awaited<ReturnType<typeof startTestApp>>;
let home = '';
let mark = '';
let worker: Awaited<ReturnType<typeof app.worker>>;
const bring = async (bytes: Uint8Array, name: string) => {
  const response = await fetch(`${home}/photos?name=${encodeURIComponent(name)}`, {
    method: 'POST',
    headers: { 'content-type': 'application/octet-stream' },
    body: new Uint8Array(bytes),
  });
  const answer = (await response.json()) as readonly Shown[] | Refused;
  return { status: response.status, value: ('length' in answer ? answer[0] : answer) as Shown & Refused };
};
const deskOf = (change: (desk: PhotoDesk) => object = () => ({})): PhotoDesk => {
  const start = photoDeskSchema.parse({ stamps: [startStamp('one', mark)] });
  return photoDeskSchema.parse({ ...start, ...change(start) });
};
async function run(photos: readonly string[], desk: PhotoDesk): Promise<Run> {
  const order = await send<Run>(`${home}/photo-runs`, 'POST', { id: randomUUID(), name: 'Run', photos, desk });
  expect(order.status, JSON.stringify(order.value)).toBe(201);
  for (let n = 0; n < 600; n++) {
    const now = await read<Run>(`${home}/photo-runs/${order.value.id}`);
    if (now.files.every(({ state }) => state === 'done' || state === 'failed')) return now;
    await sleep(200);
  }
  throw new Error('The run never ended.');
}
const fileOf = async (made: Run, at = 0): Promise<Buffer> => {
  const file = made.files[at];
  expect(file?.reason ?? null).toBeNull();
  return Buffer.from(await (await fetch(`${home}/photo-runs/${made.id}/files/${file?.id}`)).arrayBuffer());
};

beforeAll(async () => {
  app = await startTestApp({ demo: false });
  const api = `${app.url}/api/brands`;
  home = `${api}/${(await send<{ slug: string }>(api, 'POST', { name: 'Tide', palette })).value.slug}`;
  mark = (await send<{ id: string }>(`${home}/marks`, 'POST', { name: 'Stamp', role: 'watermark', recipe: nameRecipe('Tide') })).value.id;
  worker = await app.worker();
});
afterAll(async () => {
  await worker.stop();
  await app.stop();
});

describe('photos that come in', () => {
  it('are kept as they came and told by what they are: turned, process inks, 16 bits, gray, animated', async () => {
    const turned = await noisy(1, 300, 200, 90).jpeg().withMetadata({ orientation: 6 }).toBuffer();
    expect((await bring(turned, 'turned.jpg')).value).toMatchObject({ widthPx: 200, heightPx: 300, bits: 8 });
    const cmyk = await noisy(2, 120, 90, 120).toColourspace('cmyk').jpeg().toBuffer();
    expect((await bring(cmyk, 'inks.jpg')).value.notes.join()).toContain('process inks');
    const deep = await noisy(3, 120, 90, 120).toColourspace('rgb16').png().toBuffer();
    expect((await bring(deep, 'deep.png')).value.bits).toBe(16);
    expect((await bring(await noisy(4, 120, 90, 120).greyscale().jpeg().toBuffer(), 'gray.jpg')).status).toBe(201);
    const frames = sharp([await noisy(5, 40, 40, 20).png().toBuffer(), await noisy(6, 40, 40, 220).png().toBuffer()], {
      join: { animated: true },
    });
    expect((await bring(await frames.gif().toBuffer(), 'moving.gif')).value.notes.join()).toContain('2 pictures');
  });
  it('are one photo however often they come', async () => {
    const bytes = await noisy(7, 200, 150, 100).jpeg().toBuffer();
    const all = await Promise.all(Array.from({ length: 4 }, () => bring(bytes, 'twin.jpg')));
    expect(new Set(all.map(({ value }) => value.id)).size).toBe(1);
  });
  it('are refused in a sentence where they are broken, cut off, no picture, or too large', async () => {
    const whole = await noisy(8, 800, 600, 100).jpeg().toBuffer();
    const before = (await read<readonly Shown[]>(`${home}/photos`)).length;
    for (const [bytes, name] of [
      [whole.subarray(0, whole.length / 2), 'half.jpg'],
      [Buffer.from('this is no picture'), 'letter.jpg'],
      [Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'), 'drawing.svg'],
      [new Uint8Array(0), 'nothing.jpg'],
    ] as const) {
      const answer = await bring(bytes, name);
      expect(answer.status, name).toBe(422);
      expect(said(answer.value), name).toContain(name);
    }
    // 30,000 × 30,000 pixels of one color are a few kilobytes: refused by their size, not read.
    const bomb = await sharp({ create: { width: 16_000, height: 16_000, channels: 3, background: '#808080' } })
      .png({ compressionLevel: 9 })
      .toBuffer();
    const answer = await bring(bomb, 'bomb.png');
    expect(answer.status).toBe(422);
    expect(said(answer.value)).toContain('256 million pixels');
    expect((await read<readonly Shown[]>(`${home}/photos`)).length).toBe(before);
  });
  it('of a hundred megapixels are taken in and marked; of more they are refused', async () => {
    const flat = (width: number, height: number) =>
      sharp({ create: { width, height, channels: 3, background: { r: 120, g: 140, b: 160 } }, limitInputPixels: false })
        .jpeg()
        .toBuffer();
    const large = await bring(await flat(12_500, 8_000), 'large.jpg');
    expect([large.status, large.value.widthPx * large.value.heightPx]).toEqual([201, 100_000_000]);
    const made = await run(
      [large.value.id],
      deskOf((desk) => ({ output: { ...desk.output, longestPx: 2000 } })),
    );
    expect(await sharp(await fileOf(made)).metadata()).toMatchObject({ width: 2000, height: 1280 });
    const more = await bring(await flat(12_500, 9_800), 'more.jpg');
    expect([more.status, said(more.value)]).toEqual([422, 'more.jpg has 123 million pixels; the limit is 120 million.']);
  });
  it('with a profile that is none, is cut off, or is for other inks are taken in, and what comes out is sRGB', async () => {
    const plain = await noisy(21, 160, 120, 128).jpeg().toBuffer();
    const inks = await noisy(21, 160, 120, 128).toColourspace('cmyk').withIccProfile('cmyk').jpeg().toBuffer();
    const wide = (await sharp(await noisy(21, 160, 120, 128).withIccProfile('p3').jpeg().toBuffer()).metadata()).icc ?? Buffer.alloc(0);
    const ofInks = (await sharp(inks).metadata()).icc ?? Buffer.alloc(0);
    /** A JPEG with a profile written into it as the standard says, whatever that holds. @source ICC.1:2022, annex B.4 */
    const withProfile = (profile: Uint8Array) => {
      const head = Buffer.concat([Buffer.from('ICC_PROFILE\0', 'latin1'), Buffer.from([1, 1]), profile]);
      const length = Buffer.alloc(2);
      length.writeUInt16BE(head.length + 2);
      return Buffer.concat([plain.subarray(0, 2), Buffer.from([0xff, 0xe2]), length, head, plain.subarray(2)]);
    };
    const mean = async (bytes: Uint8Array) => {
      const { channels } = await sharp(bytes).removeAlpha().stats();
      return channels.slice(0, 3).map((channel) => channel.mean);
    };
    const wanted = await mean(plain);
    for (const [name, profile] of [
      ['noise', Buffer.from(Array.from({ length: 600 }, (_, at) => (at * 37) % 256))],
      ['cut off', wide.subarray(0, Math.floor(wide.length / 2))],
      ['of other inks', ofInks.subarray(0, 60_000)],
      ['empty', Buffer.alloc(0)],
    ] as const) {
      const came = await bring(withProfile(profile), `${name}.jpg`);
      expect([name, came.status], said(came.value)).toEqual([name, 201]);
      const made = await run(
        [came.value.id],
        deskOf((desk) => ({ output: { ...desk.output, format: 'png' } })),
      );
      const out = await fileOf(made);
      const got = await mean(out);
      // Most of the photo is as it was: what the profile says is not believed.
      got.forEach((value, k) => expect(Math.abs(value - (wanted[k] as number)), name).toBeLessThan(8));
      const path = join(mkdtempSync('/tmp/lucky-photo-'), 'p.png');
      writeFileSync(path, out);
      expect(execFileSync('exiftool', ['-s3', '-ICC_Profile:ProfileDescription', path], { encoding: 'utf8' })).toMatch(/sRGB|^$/i);
    }
  });
  it('leave nothing behind where their upload stops in the middle', async () => {
    const bytes = await noisy(22, 1200, 900, 128).png().toBuffer();
    const before = await read<readonly Shown[]>(`${home}/photos`);
    for (const share of [0.1, 0.5, 0.95]) {
      const address = new URL(`${home}/photos?name=half.png`);
      await new Promise<void>((resolve) => {
        const socket = connect(Number(address.port), address.hostname, () => {
          socket.write(
            `POST ${address.pathname}${address.search} HTTP/1.1\r\nhost: ${address.host}\r\norigin: ${address.origin}\r\n` +
              `content-type: application/octet-stream\r\ncontent-length: ${bytes.length}\r\n\r\n`,
          );
          socket.write(bytes.subarray(0, Math.floor(bytes.length * share)), () => socket.destroy());
        });
        socket.on('error', () => undefined).on('close', () => resolve());
      });
    }
    const whole = await bring(bytes, 'half.png');
    expect(whole.status).toBe(201);
    const after = await read<readonly Shown[]>(`${home}/photos`);
    expect(after.map(({ id }) => id)).toEqual([...before.map(({ id }) => id), whole.value.id]);
  });
  it('come hundreds at once, each once; what the server has no room for is said so and comes when it is sent again', async () => {
    const brand = (await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Crowded', palette })).value.slug;
    const files = await Promise.all(
      Array.from({ length: casesOf({ inFull: 500, sample: 40 }) }, (_, at) =>
        noisy(1000 + at, 40, 30, 60 + (at % 120))
          .jpeg()
          .toBuffer(),
      ),
    );
    const codes = new Map<number, number>();
    const one = async (bytes: Buffer, at: number): Promise<void> => {
      for (let tries = 0; tries < 400; tries++) {
        const answer = await fetch(`${app.url}/api/brands/${brand}/photos?name=${at}.jpg`, {
          method: 'POST',
          headers: { 'content-type': 'application/octet-stream' },
          body: new Uint8Array(bytes),
        });
        await answer.arrayBuffer();
        codes.set(answer.status, (codes.get(answer.status) ?? 0) + 1);
        if (answer.status === 201) return;
        expect([429, 503]).toContain(answer.status);
        expect(Number(answer.headers.get('retry-after'))).toBeGreaterThan(0);
        await sleep(300);
      }
      throw new Error(`${at}.jpg never came.`);
    };
    await Promise.all(files.map(one));
    const there = await read<readonly Shown[]>(`${app.url}/api/brands/${brand}/photos`);
    expect(new Set(there.map(({ id }) => id)).size).toBe(files.length);
    expect(codes.get(201)).toBe(files.length);
  });
});

describe('photos under a stamp and a veil', () => {
  it('get a light stamp on dark and a dark one on light, at its place, and stay as they were elsewhere', async () => {
    const dark = (await bring(await noisy(11, 900, 600, 40).png().toBuffer(), 'dark.png')).value.id;
    const light = (await bring(await noisy(12, 900, 600, 215).png().toBuffer(), 'light.png')).value.id;
    const made = await run(
      [dark, light],
      deskOf((desk) => ({ output: { ...desk.output, format: 'png' } })),
    );
    expect(made.files.map(({ report }) => report?.stamps[0]?.choice?.tone)).toEqual(['light', 'dark']);
    for (const [at, seed, tone] of [
      [0, 11, 40],
      [1, 12, 215],
    ] as const) {
      const out = await sharp(await fileOf(made, at))
        .removeAlpha()
        .raw()
        .toBuffer();
      const source = await noisy(seed, 900, 600, tone).raw().toBuffer();
      // The upper left half of the photo is untouched, pixel for pixel.
      let changed = 0;
      for (let y = 0; y < 300; y++) for (let x = 0; x < 450 * 3; x++) if (out[y * 2700 + x] !== source[y * 2700 + x]) changed++;
      expect(changed).toBe(0);
      const corner = (pixels: Buffer) => {
        let sum = 0;
        for (let y = 500; y < 580; y++) for (let x = 700; x < 880; x++) sum += pixels[(y * 900 + x) * 3] as number;
        return sum / (80 * 180);
      };
      expect(Math.sign(corner(out) - corner(source))).toBe(tone < 100 ? 1 : -1);
    }
  });
  it('are blended by the published formula, told pixel by pixel under a stamp of one color', async () => {
    const tone = 180;
    const source = sharp({ create: { width: 600, height: 400, channels: 3, background: { r: tone, g: tone, b: tone } } });
    const photo = (await bring(await source.png().toBuffer(), 'even.png')).value.id;
    for (const blend of ['multiply', 'screen', 'overlay', 'soft-light'] as const) {
      const made = await run(
        [photo],
        deskOf((desk) => ({
          stamps: desk.stamps.map((stamp) => ({ ...stamp, blend, tone: 'lead', sizePercent: 80, anchor: 'center' })),
          output: { ...desk.output, format: 'png' },
        })),
      );
      const out = await sharp(await fileOf(made))
        .removeAlpha()
        .raw()
        .toBuffer();
      // The most changed pixel lies fully under ink: 60 % of the lead color.
      const lead = [0xb5, 0x48, 0x2d];
      const wanted = lead.map((channel) => 255 * blended(blend, tone / 255, channel / 255, 0.6));
      let nearest = Infinity;
      for (let at = 0; at < out.length; at += 3)
        nearest = Math.min(nearest, Math.max(...wanted.map((value, k) => Math.abs((out[at + k] as number) - value))));
      expect(nearest, blend).toBeLessThanOrEqual(1.5);
    }
  });
  it('show a stamp in the colorway that it stands in: white, black, or its own colors', async () => {
    for (const [tone, dressing, color] of [
      [40, 'white', [255, 255, 255]],
      [230, 'black', [0, 0, 0]],
      [40, 'full', [0x22, 0x30, 0x2a]],
    ] as const) {
      const source = sharp({ create: { width: 600, height: 400, channels: 3, background: { r: tone, g: tone, b: tone } } });
      const photo = (await bring(await source.png().toBuffer(), `even ${dressing}.png`)).value.id;
      const made = await run(
        [photo],
        deskOf((desk) => ({
          stamps: desk.stamps.map((stamp) => ({
            ...stamp,
            ...{ tone: 'full', dressing, sizePercent: 80, anchor: 'center', opacityPercent: 100 },
          })),
          output: { ...desk.output, format: 'png' },
        })),
      );
      const out = await sharp(await fileOf(made))
        .removeAlpha()
        .raw()
        .toBuffer();
      let there = 0;
      for (let at = 0; at < out.length; at += 3) if (color.every((value, k) => Math.abs((out[at + k] as number) - value) <= 1)) there++;
      expect(there, dressing).toBeGreaterThan(500);
    }
  });
  it('tell nothing private: no place, no camera; creator and rights as written (read by exiftool)', async () => {
    const folder = mkdtempSync('/tmp/lucky-photo-');
    const place = join(folder, 'private.jpg');
    writeFileSync(place, await noisy(13, 640, 480, 120).jpeg().toBuffer());
    execFileSync('exiftool', [
      '-q',
      '-overwrite_original',
      '-GPSLatitude=54.1',
      '-GPSLatitudeRef=N',
      '-GPSLongitude=7.9',
      '-GPSLongitudeRef=E',
      '-Make=Harbor',
      '-SerialNumber=4711',
      '-XMP:City=Skerry',
      '-IPTC:By-line=Somebody',
      place,
    ]);
    const { readFileSync } = await import('node:fs');
    const photo = (await bring(readFileSync(place), 'private.jpg')).value.id;
    for (const format of ['jpeg', 'png', 'webp', 'tiff', 'avif'] as const) {
      const made = await run(
        [photo],
        deskOf((desk) => ({ output: { ...desk.output, format, creator: 'Ida Fjeld', copyright: '© 2026 Ida Fjeld & Søn' } })),
      );
      const out = join(folder, made.files[0]?.name ?? '');
      writeFileSync(out, await fileOf(made));
      const [told] = JSON.parse(execFileSync('exiftool', ['-j', '-a', '-G1', out], { encoding: 'utf8' })) as [Record<string, string>];
      const all = JSON.stringify(told);
      expect(all, format).not.toMatch(/GPS|Harbor|4711|Skerry|Somebody/);
      expect(told['XMP-dc:Creator'], format).toBe('Ida Fjeld');
      expect(told['XMP-dc:Rights'], format).toContain('© 2026 Ida Fjeld & Søn');
      if (format !== 'avif') expect(all, format).toContain('sRGB');
      if (format === 'jpeg') {
        expect(told['IPTC:By-line']).toBe('Ida Fjeld');
        expect(told['IPTC:CopyrightNotice']).toContain('© 2026 Ida Fjeld & Søn');
        expect(execFileSync('exiftool', ['-validate', '-a', '-warning', '-error', '-s3', out], { encoding: 'utf8' })).not.toMatch(
          /IPTC|ICC|Error|segment/i,
        );
      }
    }
  });
  it('are turned as their camera meant, made smaller where asked, and named after the pattern, each once', async () => {
    const turned = (await bring(await noisy(14, 900, 600, 100).jpeg().withMetadata({ orientation: 8 }).toBuffer(), 'Ärger / …😀.jpg')).value
      .id;
    const other = (await bring(await noisy(15, 900, 600, 100).jpeg().toBuffer(), 'Aerger.jpg')).value.id;
    const made = await run(
      [turned, other],
      deskOf((desk) => ({
        output: { ...desk.output, longestPx: 300, pattern: '{brand}_{width}' },
        veil: { ...desk.veil, on: true, text: 'tide · tide' },
      })),
    );
    expect(made.files.map(({ name }) => name)).toEqual(['tide_200.jpg', 'tide_300.jpg']);
    expect(await sharp(await fileOf(made)).metadata()).toMatchObject({ width: 200, height: 300 });
    const zip = unzipSync(new Uint8Array(await (await fetch(`${home}/photo-runs/${made.id}/photos.zip`)).arrayBuffer()));
    expect(Object.keys(zip)).toEqual(['tide_200.jpg', 'tide_300.jpg']);
  });
  it('keep a profile of their own and 16 bits where that is asked for (read by a second color engine)', async () => {
    const p3 = await noisy(16, 200, 150, 120).withIccProfile('p3').png().toBuffer();
    const photo = (await bring(p3, 'wide.png')).value;
    expect(photo.profile).toBeTruthy();
    const profileOf = async (keepProfile: boolean) => {
      const made = await run(
        [photo.id],
        deskOf((desk) => ({ output: { ...desk.output, format: 'png', keepProfile } })),
      );
      const out = join(mkdtempSync('/tmp/lucky-photo-'), 'p.png');
      writeFileSync(out, await fileOf(made));
      return execFileSync('exiftool', ['-s3', '-ICC_Profile:ProfileDescription', out], { encoding: 'utf8' }).trim();
    };
    expect(await profileOf(true)).toBe(photo.profile);
    expect(await profileOf(false)).toMatch(/sRGB/i);
    const deep = (await bring(await noisy(17, 120, 90, 130).toColourspace('rgb16').png().toBuffer(), 'deep2.png')).value.id;
    const made = await run(
      [deep],
      deskOf((desk) => ({ output: { ...desk.output, format: 'png', deep: true } })),
    );
    expect((await sharp(await fileOf(made)).metadata()).depth).toBe('ushort');
  });
  it('are refused before anything is made where nothing is laid over them, a name is strange, a photo is another brand’s', async () => {
    const photo = (await bring(await noisy(18, 120, 90, 130).jpeg().toBuffer(), 'plain.jpg')).value.id;
    const order = (change: object) =>
      send<Refused>(`${home}/photo-runs`, 'POST', { id: randomUUID(), name: 'No', photos: [photo], desk: deskOf(), ...change });
    expect(said((await order({ desk: deskOf(() => ({ stamps: [] })) })).value)).toContain('Nothing is laid');
    expect(said((await order({ desk: deskOf((desk) => ({ output: { ...desk.output, pattern: '{client}' } })) })).value)).toContain(
      '{client}',
    );
    expect((await order({ photos: [randomUUID()] })).status).toBe(404);
    expect((await order({ photos: [] })).status).toBe(422);
  });
  it('are marked whatever they are: smaller than their stamp, one pixel high, transparent, gray, in process inks, brighter than white', async () => {
    const odd: readonly (readonly [string, Buffer])[] = [
      ['tiny.png', await noisy(31, 6, 5, 90).png().toBuffer()],
      ['line.png', await noisy(32, 400, 1, 90).png().toBuffer()],
      [
        'clear.png',
        await sharp({ create: { width: 90, height: 60, channels: 4, background: { r: 9, g: 90, b: 200, alpha: 0.2 } } })
          .png()
          .toBuffer(),
      ],
      ['gray.tif', await noisy(33, 90, 60, 90).greyscale().tiff().toBuffer()],
      ['inks.jpg', await noisy(34, 90, 60, 90).toColourspace('cmyk').jpeg().toBuffer()],
      [
        'bright.tif',
        await sharp(Buffer.from(new Float32Array(90 * 60 * 3).fill(3).buffer), { raw: { width: 90, height: 60, channels: 3 } })
          .tiff()
          .toBuffer()
          .catch(() => noisy(35, 90, 60, 250).tiff().toBuffer()),
      ],
    ];
    const ids: string[] = [];
    for (const [name, bytes] of odd) {
      const { status, value } = await bring(bytes, name);
      expect(status, name).toBe(201);
      ids.push(value.id);
    }
    for (const change of [{}, { edge: 'line' }, { blend: 'multiply' }, { sizePercent: 300, turnDeg: 33 }] as const) {
      const made = await run(
        ids,
        deskOf((desk) => ({
          stamps: desk.stamps.map((stamp) => ({ ...stamp, ...change })),
          veil: { ...desk.veil, on: true, text: 'tide' },
        })),
      );
      expect(
        made.files.map(({ state, reason }) => [state, reason]),
        JSON.stringify(change),
      ).toEqual(ids.map(() => ['done', null]));
    }
  });
  it('say so where the mark of a stamp is gone', async () => {
    const photo = (await bring(await noisy(19, 120, 90, 130).jpeg().toBuffer(), 'gone.jpg')).value.id;
    const made = await run(
      [photo],
      deskOf(() => ({ stamps: [startStamp('one', randomUUID())] })),
    );
    expect(made.files[0]).toMatchObject({ state: 'failed' });
    expect(made.files[0]?.reason?.[0]?.message).toContain('gone or draws nothing');
  });
});

/** How often a worker is killed in the middle of a run. */
const KILLS = casesOf({ inFull: 20, sample: 1 });

/**
 * What filters that are used against watermarks leave of one: medians of growing reach (J. Tukey, 1977), and filling in from around where the ink
 * is known (harmonic filling, as in M. Bertalmío and others, "Image inpainting", 2000, without transport).
 */
describe('filters that take edges away', () => {
  const [WIDE, HIGH] = [600, 400];
  const luma = async (bytes: Uint8Array, reach = 0): Promise<Float64Array> => {
    const read = sharp(bytes).removeAlpha().greyscale();
    return Float64Array.from(await (reach > 0 ? read.median(reach) : read).raw().toBuffer());
  };
  const less = (a: Float64Array, b: Float64Array) => a.map((value, at) => value - (b[at] as number));
  const product = (a: Float64Array, b: Float64Array) => a.reduce((sum, value, at) => sum + value * (b[at] as number), 0);
  function filledIn(from: Float64Array, ink: Uint8Array): Float64Array {
    const now = Float64Array.from(from);
    for (let round = 0; round < 400; round++)
      for (let y = 1; y < HIGH - 1; y++)
        for (let x = 1; x < WIDE - 1; x++) {
          const at = y * WIDE + x;
          if (ink[at])
            now[at] = ((now[at - 1] as number) + (now[at + 1] as number) + (now[at - WIDE] as number) + (now[at + WIDE] as number)) / 4;
        }
    return now;
  }

  it('leave less of a veil the farther they reach, and where ink is filled in the picture under it is lost: by how much is told', async () => {
    const whole = await sharp('static/photos/boat.jpg').resize(WIDE, HIGH, { fit: 'cover' }).png().toBuffer();
    const photo = await bring(whole, 'boat.png');
    const png = { ...deskOf().output, format: 'png' as const };
    const figures: string[] = [];
    const shares: number[] = [];
    for (const opacity of [0.12, 0.3]) {
      const desk = deskOf((start) => ({
        stamps: [],
        output: png,
        veil: { ...start.veil, on: true, text: 'Tide', opacityPercent: opacity * 100 },
      }));
      // The filters keep this process from hearing that a connection that rested was closed: it hears of it now, before it would use it again.
      await new Promise((resolve) => setTimeout(resolve, 200));
      const made = await run([photo.value.id], desk);
      const marked = await fileOf(made);
      const [bare, seen] = [await luma(whole), await luma(marked)];
      const ink = less(seen, bare);
      const strength = product(ink, ink);
      expect(strength).toBeGreaterThan(1000);
      let before = 1.01;
      for (const reach of [3, 7, 15]) {
        // What the filter does to the picture itself is no part of what it leaves of the ink.
        const left = product(less(await luma(marked, reach), await luma(whole, reach)), ink) / strength;
        expect(left).toBeLessThan(before);
        before = left;
        figures.push(`veil ${opacity * 100} %, median of ${reach}: ${(left * 100).toFixed(0)} % left`);
      }
      const known = Uint8Array.from(ink, (change) => (Math.abs(change) > 3 ? 1 : 0));
      const filled = less(filledIn(seen, known), bare);
      const harm = Math.sqrt(product(filled, filled) / strength);
      figures.push(`filled in where the ink is known: the picture is off by ${(harm * 100).toFixed(0)} % of what the ink changed`);
      shares.push(made.files[0]?.report?.protectedShare ?? 0);
      // A thin veil is not taken away without harm, even by somebody who knows every stroke.
      expect(harm).toBeGreaterThan(0.02);
    }
    console.info(figures.join('\n'));
    // A stronger veil protects more by the model, and more of it is left by a small median.
    expect(shares[1]).toBeGreaterThanOrEqual(shares[0] as number);
  });
});

describe('a run', () => {
  it(`comes out whole although its worker is killed at ${KILLS} random moments, and is stopped and gone on with`, async () => {
    const next = random(77);
    const photos: string[] = [];
    for (let n = 0; n < 8; n++)
      photos.push(
        (
          await bring(
            await noisy(100 + n, 1600, 1200, 60 + n * 18)
              .jpeg()
              .toBuffer(),
            `many-${n}.jpg`,
          )
        ).value.id,
      );
    for (let kill = 0; kill < KILLS; kill++) {
      const order = await send<Run>(`${home}/photo-runs`, 'POST', {
        id: randomUUID(),
        name: 'Many',
        photos,
        desk: deskOf((desk) => ({ veil: { ...desk.veil, on: true, text: 'tide' } })),
      });
      await sleep(100 + next() * 2500);
      await worker.kill();
      const view = () => read<Run>(`${home}/photo-runs/${order.value.id}`);
      if (kill === 0) {
        await send(`${home}/photo-runs/${order.value.id}`, 'PATCH', { do: 'stop' });
        expect((await view()).files.every(({ state }) => state === 'done' || state === 'stopped')).toBe(true);
      }
      worker = await app.worker();
      if (kill === 0) await send(`${home}/photo-runs/${order.value.id}`, 'PATCH', { do: 'resume' });
      await expect
        .poll(async () => (await view()).files.map(({ state }) => state), { timeout: 100_000, interval: 200 })
        .toEqual(photos.map(() => 'done'));
      const ended = await view();
      expect(new Set(ended.files.map(({ name }) => name)).size).toBe(photos.length);
      for (const at of photos.keys())
        expect(await sharp(await fileOf(ended, at)).metadata()).toMatchObject({ width: 1600, height: 1200, format: 'jpeg' });
    }
  }, 1_200_000);
});
