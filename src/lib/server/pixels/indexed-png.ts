import { crc32, deflateSync } from 'node:zlib';

/** A palette holds so many colors. @source W3C PNG (Third Edition), 11.2.2 "PLTE" */
const MOST_COLORS = 256;
const SIGNATURE = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);

/** @source W3C PNG (Third Edition), 5.3 "Chunk layout" */
function chunk(type: string, data: Uint8Array): Buffer {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
  const whole = Buffer.alloc(body.length + 8);
  whole.writeUInt32BE(data.length, 0);
  body.copy(whole, 4);
  whole.writeUInt32BE(crc32(body), body.length + 4);
  return whole;
}

/**
 * The same pixels as a PNG with a palette: exact, one byte a pixel. The codec's own palettes are approximations.
 * @param rgba 8 bits a channel, not premultiplied
 * @returns nothing where there are more than 256 colors
 * @source W3C PNG (Third Edition), 11.2.1 "IHDR" (color type 3), 11.2.2 "PLTE", 11.3.1.1 "tRNS"
 */
export function indexedPng(rgba: Uint8Array, width: number, height: number): Uint8Array | undefined {
  const pixels = new DataView(rgba.buffer, rgba.byteOffset, rgba.byteLength);
  const colors = new Map<number, number>();
  const lines = Buffer.alloc((width + 1) * height);
  // Most pixels are as the one before.
  let [last, lastIndex] = [-1, 0];
  for (let y = 0, at = 0; y < height; y++) {
    const line = y * (width + 1) + 1;
    for (let x = 0; x < width; x++, at += 4) {
      const color = pixels.getUint32(at);
      if (color !== last) {
        let index = colors.get(color);
        if (index === undefined) {
          if (colors.size === MOST_COLORS) return undefined;
          index = colors.size;
          colors.set(color, index);
        }
        [last, lastIndex] = [color, index];
      }
      lines[line + x] = lastIndex;
    }
  }
  const [palette, alphas] = [Buffer.alloc(colors.size * 3), Buffer.alloc(colors.size)];
  for (const [color, index] of colors) {
    palette.writeUIntBE(color >>> 8, index * 3, 3);
    alphas[index] = color & 255;
  }
  const header = Buffer.alloc(13);
  header.writeUInt32BE(width, 0);
  header.writeUInt32BE(height, 4);
  header[8] = 8; // bits a pixel
  header[9] = 3; // with a palette
  return Buffer.concat([
    SIGNATURE,
    chunk('IHDR', header),
    chunk('PLTE', palette),
    chunk('tRNS', alphas),
    chunk('IDAT', deflateSync(lines, { level: 6 })),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}
