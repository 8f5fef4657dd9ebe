import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { deflateSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { checkFont, checkTables, embeddingRight, measureOwnFont, LARGEST_FONT_BYTES, unpackFontFile } from '$core/shaping';
import { setLine } from '$core/index';
import { casesOf } from '../support/deep';
import { fontBytes } from '../support/fonts';

/** A small generator with a seed. @source S. Vigna, "splitmix32" form of a Weyl sequence with mixing; from memory, only its repeatability matters here */
function random(seed: number) {
  let state = seed >>> 0;
  return (below: number): number => {
    state = (state + 0x9e3779b9) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 16), 0x21f0aaad);
    mixed = Math.imul(mixed ^ (mixed >>> 15), 0x735a2d97);
    return ((mixed ^ (mixed >>> 15)) >>> 0) % below;
  };
}

function mutate(font: Uint8Array, next: (below: number) => number): Uint8Array {
  const out = Uint8Array.from(font); // A Buffer's own slice would share its memory.
  const kind = next(6);
  if (kind === 0) return out.subarray(0, next(out.length));
  const spots = 1 + next(kind <= 2 ? 3 : 40);
  for (let n = 0; n < spots; n++) {
    // A quarter of the damage goes into the directory and the first tables, where lengths and offsets stand.
    const at = next(4) === 0 ? next(Math.min(600, out.length)) : next(out.length);
    if (kind <= 3) out[at] = next(256);
    else out.fill(kind === 4 ? 0xff : 0, at, Math.min(out.length, at + 1 + next(16)));
  }
  return out;
}
const reasonOf = async (file: Uint8Array) => {
  const checked = await checkFont('hostile', file);
  return checked.ok ? 'read' : checked.problems.map(({ message }) => message).join(' ');
};

describe('mutated font files', () => {
  it('are each refused with a reason or read; none hangs, and memory stays bounded', async () => {
    const originals = [
      await fontBytes('italiana/Italiana_400Regular.ttf'),
      await fontBytes('orbitron/orbitron-latin-wght-normal.woff2'),
      readFileSync('/usr/share/fonts/opentype/linux-libertine/LinBiolinum_K.otf').subarray(),
      readFileSync('fonts/cinzel/cinzel-latin-wght-normal.woff2'),
    ];
    const COUNT = casesOf({ inFull: 10_000, sample: 1_000 });
    const next = random(20_261_124);
    let [read, refused, slowestMs] = [0, 0, 0];
    for (let n = 0; n < COUNT; n++) {
      const file = mutate(originals[n % originals.length] as Uint8Array, next);
      const began = process.hrtime.bigint();
      const checked = await checkFont('mutated', file);
      if (checked.ok) {
        const { glyphs } = setLine(checked.value.typeface, 'Windrow 12', { axes: {}, kerning: 'font', trackingPermille: 0 });
        for (const { instance, glyph } of glyphs) instance.outline(glyph);
        read++;
      } else {
        expect(checked.problems[0]?.message.length).toBeGreaterThan(10);
        refused++;
      }
      slowestMs = Math.max(slowestMs, Number(process.hrtime.bigint() - began) / 1e6);
      if (n % 200 === 0) await new Promise((resolve) => setImmediate(resolve));
    }
    expect(read + refused).toBe(COUNT);
    expect(read).toBeGreaterThan(COUNT / 20);
    expect(refused).toBeGreaterThan(COUNT / 20);
    // "No hang" is a bound on one file, not a benchmark.
    expect(slowestMs).toBeLessThan(2000);
    expect(process.memoryUsage().rss).toBeLessThan(2.5 * 1024 ** 3);
  }, 900_000);
});

describe('fonts that are not what they seem', () => {
  it.each([
    ['an empty file', new Uint8Array(), 'received 0 bytes'],
    [
      'a picture renamed to .ttf',
      new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13, 0, 0]),
      'belong to no font format',
    ],
    ['a collection', new Uint8Array([0x74, 0x74, 0x63, 0x66, 0, 1, 0, 0, 0, 0, 0, 2, 0, 0]), 'TTC file could not be unpacked'],
    ['30 MB', new Uint8Array(30 * 1024 * 1024), 'at most 24 MB'],
    [
      'a WOFF2 that says it will unpack to 3 GB',
      Uint8Array.from({ length: 60 }, (_, n) => [0x77, 0x4f, 0x46, 0x32][n] ?? (n === 16 ? 0xc0 : 0)),
      'at most 24 MB',
    ],
  ])('%s is refused with its reason', async (_what, file, reason) => expect(await reasonOf(file)).toContain(reason));

  it('missing and lying tables are named', async () => {
    const font = await fontBytes('italiana/Italiana_400Regular.ttf');
    const entries = new DataView(font.buffer, font.byteOffset).getUint16(4);
    const entryOf = (tag: string) =>
      Array.from({ length: entries }, (_, n) => 12 + n * 16).find(
        (at) => String.fromCharCode(...font.subarray(at, at + 4)) === tag,
      ) as number;
    const changed = (change: (copy: Uint8Array, view: DataView) => void) => {
      const copy = Uint8Array.from(font);
      change(copy, new DataView(copy.buffer));
      return checkTables(copy);
    };
    const message = (result: ReturnType<typeof checkTables>) => (result.ok ? 'read' : result.problems[0]?.message);
    expect(message(changed((copy) => copy.set([0x7a, 0x7a, 0x7a, 0x7a], entryOf('cmap'))))).toBe('The font has no “cmap” table.');
    expect(message(changed((_, view) => view.setUint32(entryOf('glyf') + 12, 0x7fffffff)))).toBe(
      'The table “glyf” reaches beyond the end of the file.',
    );
    expect(message(changed((_, view) => view.setUint16(view.getUint32(entryOf('maxp') + 8) + 4, 60_000)))).toContain('asks for');
    expect(message(changed((_, view) => view.setUint16(view.getUint32(entryOf('head') + 8) + 18, 0)))).toContain('units per em');
    expect(message(changed((copy) => copy.set([0x43, 0x42, 0x44, 0x54], entryOf('glyf'))))).toBe(
      'This font holds only pictures of letters, no outlines.',
    );
  });

  it('permission bits are read and explained', () => {
    expect([0, 2, 4, 8, 0x0100].map((bits) => embeddingRight(bits).name)).toEqual([
      'installable',
      'restricted',
      'preview and print',
      'editable',
      'installable',
    ]);
  });

  it('WOFF 1.0 comes out as the very tables that went in', async () => {
    const font = await fontBytes('italiana/Italiana_400Regular.ttf');
    const view = new DataView(font.buffer, font.byteOffset, font.byteLength);
    const count = view.getUint16(4);
    const tables = Array.from({ length: count }, (_, n) => {
      const at = 12 + n * 16;
      const data = font.subarray(view.getUint32(at + 8), view.getUint32(at + 8) + view.getUint32(at + 12));
      const packed = deflateSync(data);
      return { head: font.subarray(at, at + 8), data, stored: packed.length < data.length ? packed : Buffer.from(data) };
    });
    const header = new DataView(new ArrayBuffer(44 + count * 20));
    [0x774f4646, view.getUint32(0)].forEach((word, n) => header.setUint32(n * 4, word));
    header.setUint16(12, count);
    header.setUint32(16, font.length);
    let offset = header.byteLength;
    const bodies: Uint8Array[] = [];
    tables.forEach(({ head, data, stored }, n) => {
      const at = 44 + n * 20;
      header.setUint32(at, new DataView(head.buffer, head.byteOffset).getUint32(0));
      [offset, stored.length, data.length, new DataView(head.buffer, head.byteOffset).getUint32(4)].forEach((word, field) =>
        header.setUint32(at + 4 + field * 4, word),
      );
      bodies.push(stored);
      offset += stored.length;
    });
    const unpacked = await unpackFontFile(Buffer.concat([new Uint8Array(header.buffer), ...bodies]));
    if (!unpacked.ok) throw new Error(unpacked.problems[0]?.message);
    const again = new DataView(unpacked.value.buffer, unpacked.value.byteOffset);
    tables.forEach(({ data }, n) => {
      const at = 12 + n * 16;
      expect(
        Buffer.compare(unpacked.value.subarray(again.getUint32(at + 8), again.getUint32(at + 8) + again.getUint32(at + 12)), data),
      ).toBe(0);
    });
    expect((await checkFont('woff', Buffer.concat([new Uint8Array(header.buffer), ...bodies]))).ok).toBe(true);
    expect(LARGEST_FONT_BYTES).toBeLessThan(30 * 1024 * 1024);
  });
});

describe('odd but sound fonts, built by fontTools', () => {
  const folder = mkdtempSync('/tmp/lucky-odd-');
  beforeAll(() => void execFileSync('/usr/bin/python3', ['tests/reference/make-fonts.py', folder]));
  afterAll(() => rmSync(folder, { recursive: true }));

  it('60,000 glyphs are taken in and measured', async () => {
    const checked = await checkFont('many', readFileSync(`${folder}/many.ttf`));
    if (!checked.ok) throw new Error(checked.problems[0]?.message);
    expect(checked.value.glyphCount).toBe(60_000);
    expect(measureOwnFont(checked.value).measures.capHeight).toBe(700);
  });

  it('glyphs of no width set a line of no length, and every measure stays finite', async () => {
    const checked = await checkFont('narrow', readFileSync(`${folder}/narrow.ttf`));
    if (!checked.ok) throw new Error(checked.problems[0]?.message);
    expect(setLine(checked.value.typeface, 'Windrow', { axes: {}, kerning: 'font', trackingPermille: 0 }).advance).toBe(0);
    const { measures } = measureOwnFont(checked.value);
    for (const [name, value] of Object.entries(measures)) expect(typeof value === 'boolean' || Number.isFinite(value), name).toBe(true);
  });
});
