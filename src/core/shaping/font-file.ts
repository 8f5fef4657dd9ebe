import decompress from 'woff2-encoder/decompress';
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

/**
 * Unpacks a font file to the plain sfnt bytes (TrueType or OpenType) that shaping needs.
 * @source ISO/IEC 14496-22, 4.5.1 "Organization of an OpenType font"; W3C WOFF 2.0
 */
export async function unpackFontFile(file: Uint8Array): Promise<Result<Uint8Array>> {
  if (file.length < 12) return fail({ code: 'not-a-font', message: `Expected a font file, but received ${file.length} bytes.` });
  const form = SIGNATURES[new DataView(file.buffer, file.byteOffset, file.byteLength).getUint32(0)];
  if (form === 'sfnt') return ok(file);
  if (form === 'woff2') {
    try {
      return ok(await decompress(file));
    } catch {
      return fail({ code: 'broken-font', message: 'This WOFF2 file could not be unpacked: its compressed data is damaged.' });
    }
  }
  return fail({
    code: 'not-a-font',
    message: form
      ? `Expected a single TrueType, OpenType or WOFF2 font, but received a ${form} file.`
      : 'Expected a font file, but its first bytes belong to no font format.',
  });
}
