import { unzlibSync } from 'fflate';
import { fail, ok, type Result } from '../result/result';

const TRUETYPE = 0x00010000;
const SIGNATURES: Readonly<Record<number, 'sfnt' | 'woff2' | 'collection' | 'woff'>> = {
  [TRUETYPE]: 'sfnt',
  0x4f54544f: 'sfnt', // OTTO
  0x74727565: 'sfnt', // true
  0x774f4632: 'woff2', // wOF2
  0x774f4646: 'woff', // wOFF
  0x74746366: 'collection', // ttcf
};

/** Largest font, packed or unpacked, in bytes. Whole fonts of large scripts stay below; anything beyond is no face for a mark. */
export const LARGEST_FONT_BYTES = 24 * 1024 * 1024;

const damaged = (form: string) =>
  fail<Uint8Array>({
    code: 'broken-font',
    message: `This ${form} file could not be unpacked: its compressed data is damaged.`,
    fix: 'Ask for the file again, or for its OTF or TTF.',
  });
const tooLarge = (sizeBytes: number) =>
  fail<Uint8Array>({
    code: 'font-too-large',
    message: `Expected a font of at most ${LARGEST_FONT_BYTES / 1024 / 1024} MB, but this one has ${(sizeBytes / 1024 / 1024).toFixed(1)} MB.`,
    fix: 'Send a subset with the letters that are needed.',
  });

/**
 * Unpacks a font file to the plain sfnt bytes (TrueType or OpenType) that shaping needs.
 * @param face which face of a collection, counted from 0
 * @source ISO/IEC 14496-22, 4.5.1 "Organization of an OpenType font"; W3C WOFF 1.0; W3C WOFF 2.0
 */
export async function unpackFontFile(file: Uint8Array, face?: number): Promise<Result<Uint8Array>> {
  if (file.length < 12) return fail({ code: 'not-a-font', message: `Expected a font file, but received ${file.length} bytes.` });
  if (file.length > LARGEST_FONT_BYTES) return tooLarge(file.length);
  const view = new DataView(file.buffer, file.byteOffset, file.byteLength);
  const form = SIGNATURES[view.getUint32(0)];
  if (form === 'sfnt') return ok(file);
  if (form === 'woff2') {
    // The header says how large the font will be; a small file that would fill the memory is refused unopened.
    if (file.length < 48 || view.getUint32(16) > LARGEST_FONT_BYTES)
      return file.length < 48 ? damaged('WOFF2') : tooLarge(view.getUint32(16));
    // It is weighty, and few faces need it.
    const { default: decompress } = await import('woff2-encoder/decompress');
    try {
      return ok(await decompress(file));
    } catch {
      return damaged('WOFF2');
    }
  }
  if (form === 'woff') return unpackWoff(file, view);
  if (form === 'collection') {
    if (face !== undefined) return faceOfCollection(file, face);
    const count = collectionFaces(file);
    if (count === 0) return damaged('TTC');
    return fail({
      code: 'font-collection',
      message: `This file is a collection of ${count} faces.`,
      fix: 'Choose the face that is needed.',
    });
  }
  const other = OTHER_FORMATS.find(({ is }) => is(file));
  if (other) return fail({ code: 'other-font-format', message: `This is a ${other.name}, which holds ${other.holds}.`, fix: other.fix });
  return fail({
    code: 'not-a-font',
    message: 'Expected a font file, but its first bytes belong to no font format.',
    fix: 'Send an OTF, TTF, WOFF or WOFF2 file.',
  });
}

const latin1 = (file: Uint8Array, from: number, to: number): string => String.fromCharCode(...file.subarray(from, to));
const CONVERT = 'Convert it to OTF or TTF, or send the OTF of the same face.';
const NEEDS_OUTLINES = 'Send a font with outlines as OTF, TTF, WOFF or WOFF2; a mark must stay sharp at any size.';

/** Font formats that are known for what they are, and not taken. @source Adobe Technical Note 5040 (PFB); X.Org PCF, Adobe BDF 2.2; FreeType's list of drivers */
const OTHER_FORMATS: readonly {
  readonly name: string;
  readonly holds: string;
  readonly fix: string;
  readonly is: (file: Uint8Array) => boolean;
}[] = [
  {
    name: 'PostScript Type 1 font',
    holds: 'outlines in an older format',
    fix: CONVERT,
    is: (file) => (file[0] === 0x80 && file[1] === 1) || /^%!(PS-AdobeFont|FontType1)/.test(latin1(file, 0, 24)),
  },
  {
    name: 'PostScript metrics file',
    holds: 'widths but no letters',
    fix: 'Send the font that belongs to it.',
    is: (file) => latin1(file, 0, 16) === 'StartFontMetrics',
  },
  { name: 'bitmap font (PCF)', holds: 'pictures of letters', fix: NEEDS_OUTLINES, is: (file) => latin1(file, 0, 4) === '\x01fcp' },
  { name: 'bitmap font (BDF)', holds: 'pictures of letters', fix: NEEDS_OUTLINES, is: (file) => latin1(file, 0, 9) === 'STARTFONT' },
  {
    name: 'bitmap font (PSF)',
    holds: 'pictures of letters',
    fix: NEEDS_OUTLINES,
    is: (file) => (file[0] === 0x36 && file[1] === 0x04) || (file[0] === 0x72 && file[1] === 0xb5),
  },
  {
    name: 'font packed with gzip',
    holds: 'a font inside a compressed file',
    fix: 'Unpack it, then send the font inside.',
    is: (file) => file[0] === 0x1f && file[1] === 0x8b,
  },
  {
    name: 'web font of an old browser (EOT)',
    holds: 'outlines in an older wrapping',
    fix: CONVERT,
    is: (file) => file[34] === 0x4c && file[35] === 0x50,
  },
  {
    name: 'font drawn in SVG',
    holds: 'outlines without metrics that a line needs',
    fix: CONVERT,
    is: (file) => /<svg[\s\S]*<font\b/i.test(latin1(file, 0, 4000)),
  },
];

/** How many faces a collection holds; 0 for any other file. @source ISO/IEC 14496-22, 4.6.1 "TTC header" */
export function collectionFaces(file: Uint8Array): number {
  const view = new DataView(file.buffer, file.byteOffset, file.byteLength);
  if (file.length < 16 || SIGNATURES[view.getUint32(0)] !== 'collection') return 0;
  return Math.min(view.getUint32(8), Math.floor((file.length - 12) / 4), 256);
}

/** One face of a collection as a font of its own; tables that faces share are copied. */
function faceOfCollection(file: Uint8Array, face: number): Result<Uint8Array> {
  const view = new DataView(file.buffer, file.byteOffset, file.byteLength);
  const count = collectionFaces(file);
  if (!(face >= 0 && face < count))
    return fail({ code: 'no-such-face', message: `Expected a face from 1 to ${count}, but face ${face + 1} was asked for.` });
  const directory = view.getUint32(12 + face * 4);
  if (directory + 12 > file.length) return damaged('TTC');
  const tableCount = view.getUint16(directory + 4);
  if (tableCount === 0 || tableCount > 64 || directory + 12 + tableCount * 16 > file.length) return damaged('TTC');
  const tables: { readonly tag: number; readonly checksum: number; readonly data: Uint8Array }[] = [];
  let size = 0;
  for (let index = 0; index < tableCount; index++) {
    const at = directory + 12 + index * 16;
    const [tag, checksum, offset, length] = [view.getUint32(at), view.getUint32(at + 4), view.getUint32(at + 8), view.getUint32(at + 12)];
    if (offset + length > file.length) return damaged('TTC');
    size += length;
    if (size > LARGEST_FONT_BYTES) return tooLarge(size);
    tables.push({ tag, checksum, data: file.subarray(offset, offset + length) });
  }
  return ok(assemble(view.getUint32(directory), tables));
}

/** WOFF 1.0: tables of an sfnt, each stored as it is or compressed by zlib. */
function unpackWoff(file: Uint8Array, view: DataView): Result<Uint8Array> {
  const HEADER = 44;
  const ENTRY = 20;
  if (file.length < HEADER) return damaged('WOFF');
  const count = view.getUint16(12);
  const totalSize = view.getUint32(16);
  if (totalSize > LARGEST_FONT_BYTES) return tooLarge(totalSize);
  if (count === 0 || count > 64 || HEADER + count * ENTRY > file.length) return damaged('WOFF');
  const tables: { readonly tag: number; readonly checksum: number; readonly data: Uint8Array }[] = [];
  for (let index = 0; index < count; index++) {
    const at = HEADER + index * ENTRY;
    const [tag, offset, packed, size, checksum] = [0, 4, 8, 12, 16].map((field) => view.getUint32(at + field)) as [
      number,
      number,
      number,
      number,
      number,
    ];
    if (offset + packed > file.length || packed > size || size > LARGEST_FONT_BYTES) return damaged('WOFF');
    const stored = file.subarray(offset, offset + packed);
    try {
      const data = packed < size ? unzlibSync(stored, { out: new Uint8Array(size) }) : stored;
      if (data.length !== size) return damaged('WOFF');
      tables.push({ tag, checksum, data });
    } catch {
      return damaged('WOFF');
    }
  }
  return ok(assemble(view.getUint32(4), tables));
}

/** Puts tables together to an sfnt, each on a multiple of four. */
function assemble(
  flavor: number,
  tables: readonly { readonly tag: number; readonly checksum: number; readonly data: Uint8Array }[],
): Uint8Array {
  const directory = 12 + tables.length * 16;
  const padded = (length: number) => (length + 3) & ~3;
  const out = new Uint8Array(tables.reduce((size, { data }) => size + padded(data.length), directory));
  const view = new DataView(out.buffer);
  const power = 2 ** Math.floor(Math.log2(tables.length));
  view.setUint32(0, flavor);
  view.setUint16(4, tables.length);
  view.setUint16(6, power * 16);
  view.setUint16(8, Math.log2(power));
  view.setUint16(10, (tables.length - power) * 16);
  let offset = directory;
  tables.forEach(({ tag, checksum, data }, index) => {
    const at = 12 + index * 16;
    view.setUint32(at, tag);
    view.setUint32(at + 4, checksum);
    view.setUint32(at + 8, offset);
    view.setUint32(at + 12, data.length);
    out.set(data, offset);
    offset += padded(data.length);
  });
  return out;
}
