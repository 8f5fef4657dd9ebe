import sharp from 'sharp';
import { check, type FileVerdict } from './verdict';

/** A picture that is one color all over shows nothing: its channels differ by less than this of 255. */
const FLAT = 2;

/** Opens a picture of goods again: whether it can be read to its end, has the size that was asked for, says its colors, and shows something. */
export async function verifyGoods(
  file: Uint8Array,
  { widthPx, heightPx }: { readonly widthPx: number; readonly heightPx?: number },
): Promise<FileVerdict> {
  try {
    const { width, height, format, icc } = await sharp(file).metadata();
    const { channels } = await sharp(file, { failOn: 'error' }).stats();
    const checks = [
      check('opens', format === 'jpeg', 'read to its end as JPEG'),
      check('size', width === widthPx && (heightPx === undefined || height === heightPx), `${width} × ${height} px`),
      check('colors', icc !== undefined, icc ? 'says its colors: sRGB' : 'says nothing of its colors'),
      check(
        'shows',
        channels.some(({ stdev }) => stdev > FLAT),
        'shows something',
      ),
    ];
    return { passes: checks.every(({ passes }) => passes), checks };
  } catch (error) {
    return {
      passes: false,
      checks: [check('opens', false, `it cannot be opened again: ${error instanceof Error ? error.message : 'for no reason given'}`)],
    };
  }
}
