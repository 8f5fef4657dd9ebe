import { inflateSync } from 'node:zlib';

/** No packed piece of a PDF unpacks to more: a picture of 80 megapixels in color does not. */
const MOST_UNPACKED = 256 * 1024 * 1024;
/** Packed again and again: no deeper. */
const MOST_DEEP = 3;
const START = Buffer.from('stream');

/** Whether bytes begin like data of zlib. @source RFC 1950, 2.2 */
const isPacked = (bytes: Uint8Array): boolean =>
  bytes.length > 2 && ((bytes[0] as number) & 15) === 8 && (((bytes[0] as number) << 8) | (bytes[1] as number)) % 31 === 0;

function unpacksTooFar(bytes: Uint8Array, deep: number): boolean {
  if (!isPacked(bytes)) return false;
  if (deep >= MOST_DEEP) return true;
  try {
    // What follows the packed data is not looked at.
    return unpacksTooFar(inflateSync(bytes, { maxOutputLength: MOST_UNPACKED }), deep + 1);
  } catch (error) {
    // Data that is damaged is none of our business here: its reader will say so.
    return (error as { code?: string }).code === 'ERR_BUFFER_TOO_LARGE';
  }
}

/** Whether something in a PDF unpacks to far more than any page needs; looked for without reading the document. @source ISO 32000-1, 7.3.8 */
export function isPdfBomb(file: Uint8Array): boolean {
  const bytes = Buffer.from(file.buffer, file.byteOffset, file.byteLength);
  for (let at = bytes.indexOf(START); at >= 0; at = bytes.indexOf(START, at + START.length)) {
    // After the word a line ends: CR and LF, or LF alone.
    const end = at + START.length;
    const from = bytes[end] === 13 && bytes[end + 1] === 10 ? end + 2 : bytes[end] === 10 ? end + 1 : -1;
    if (from >= 0 && unpacksTooFar(bytes.subarray(from), 0)) return true;
  }
  return false;
}
