import { MM_PER_INCH } from '../../units/length';

const SIGNATURE = 8;
/** Length, type and checksum of a chunk. */
const CHUNK_AROUND = 12;
const SIGNATURE_AND_HEADER = SIGNATURE + 25; // the signature, and IHDR, whose length is always 13

/** Pixels per inch at which a picture of so many pixels is so wide. */
export const dotsPerInchOf = (widthPx: number, widthMm: number): number => (widthPx * MM_PER_INCH) / widthMm;

/** CRC of a chunk's type and data. @source W3C PNG (Third Edition), annex D "Sample CRC implementation" */
function crc32(bytes: Uint8Array): number {
  let crc = 0xffffffff;
  for (const byte of bytes) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit++) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1;
  }
  return (crc ^ 0xffffffff) >>> 0;
}

/**
 * Says in a PNG how large it is meant to be: adds a pHYs chunk right after IHDR.
 * @param dotsPerInch pixels per inch; written as whole pixels per metre, so it is exact to 0.0127 dpi
 * @source W3C PNG (Third Edition), 11.3.4.3 "pHYs"
 */
export function withDensity(png: Uint8Array, dotsPerInch: number): Uint8Array {
  const perMetre = Math.round((dotsPerInch * 1000) / MM_PER_INCH);
  const data = new Uint8Array(9);
  const view = new DataView(data.buffer);
  view.setUint32(0, perMetre);
  view.setUint32(4, perMetre);
  data[8] = 1; // the unit is the metre
  return insertChunk(png, 'pHYs', data);
}

/** A PNG that no longer says how large it is meant to be: the same without its pHYs chunk. @source W3C PNG (Third Edition), 5.3 "Chunk layout" */
export function withoutDensity(png: Uint8Array): Uint8Array {
  const view = new DataView(png.buffer, png.byteOffset, png.byteLength);
  for (let at = SIGNATURE; at + CHUNK_AROUND <= png.length;) {
    const end = at + CHUNK_AROUND + view.getUint32(at);
    if (String.fromCharCode(...png.subarray(at + 4, at + 8)) === 'pHYs') {
      const out = new Uint8Array(png.length - (end - at));
      out.set(png.subarray(0, at));
      out.set(png.subarray(end), at);
      return out;
    }
    at = end;
  }
  return png;
}

/** A PNG with one more chunk, right after IHDR. @param type four Latin letters; @source W3C PNG (Third Edition), 5.3 "Chunk layout" */
export function insertChunk(png: Uint8Array, type: string, data: Uint8Array): Uint8Array {
  const chunk = new Uint8Array(4 + 4 + data.length + 4);
  const view = new DataView(chunk.buffer);
  view.setUint32(0, data.length);
  chunk.set(new TextEncoder().encode(type), 4);
  chunk.set(data, 8);
  view.setUint32(8 + data.length, crc32(chunk.subarray(4, 8 + data.length)));
  const out = new Uint8Array(png.length + chunk.length);
  out.set(png.subarray(0, SIGNATURE_AND_HEADER));
  out.set(chunk, SIGNATURE_AND_HEADER);
  out.set(png.subarray(SIGNATURE_AND_HEADER), SIGNATURE_AND_HEADER + chunk.length);
  return out;
}
