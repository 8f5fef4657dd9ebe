/** Segments that tell of people, places and devices: EXIF and XMP, IPTC, comments. @source ITU-T T.81, table B.1; ISO 16684-3; IPTC IIM in JPEG */
const TELLING: ReadonlySet<number> = new Set([0xe1, 0xed, 0xfe]);
const START_OF_SCAN = 0xda;

/**
 * A JPEG without what its camera and other applications wrote into it; its picture, its profile and how its colors are told stay byte for byte.
 * What is no JPEG is given back as it is.
 */
export function bareJpeg(bytes: Uint8Array): Uint8Array {
  if (bytes[0] !== 0xff || bytes[1] !== 0xd8) return bytes;
  const kept: Uint8Array[] = [bytes.subarray(0, 2)];
  let at = 2;
  while (at + 4 <= bytes.length && bytes[at] === 0xff) {
    const marker = bytes[at + 1] as number;
    // Fill bytes, and markers without a length. @source ITU-T T.81, B.1.1.2 to B.1.1.4
    if (marker === 0xff) {
      at++;
      continue;
    }
    if (marker === START_OF_SCAN || marker === 0x01 || (marker >= 0xd0 && marker <= 0xd9)) break;
    const length = 2 + (((bytes[at + 2] as number) << 8) | (bytes[at + 3] as number));
    if (!TELLING.has(marker)) kept.push(bytes.subarray(at, at + length));
    at += length;
  }
  kept.push(bytes.subarray(Math.min(at, bytes.length)));
  return Buffer.concat(kept);
}
