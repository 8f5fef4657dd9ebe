import { renderAsync } from '@resvg/resvg-js';
import sharp, { type Sharp } from 'sharp';
import { withoutDensity } from '$core/output/png';

/** Pixels as they come from the renderer: RGBA, 8 bits a channel, colors multiplied by alpha. */
export interface Rendered {
  readonly premultiplied: Buffer;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** Pixels as files hold them: RGBA, 8 bits a channel, colors not multiplied by alpha. */
export interface StraightPixels {
  readonly rgba: Buffer;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** Renders a drawing of ours. @param svg without text, and with no address outside of itself */
export async function rendered(svg: string, widthPx: number): Promise<Rendered> {
  const { pixels, width, height } = await renderAsync(svg, {
    font: { loadSystemFonts: false },
    fitTo: { mode: 'width', value: widthPx },
    imageRendering: 0,
  });
  return { premultiplied: pixels, widthPx: width, heightPx: height };
}

/** Small pictures are all edge: they are rendered so many times finer, and every pixel is the mean of what lies on it. */
const FINER = 4;
/** Small is a picture with no side longer than this. */
const SMALL_PX = 512;

/** How many times finer a picture of this size is rendered. */
export const finerOf = ({ widthPx, heightPx }: { readonly widthPx: number; readonly heightPx: number }): number =>
  Math.max(widthPx, heightPx) <= SMALL_PX ? FINER : 1;

/** Renders a drawing of ours in its final size, small pictures from finer ones. @param svg without text, its pictures good for pixels so many times finer */
export async function renderedFine(svg: string, finer: number, widthPx: number): Promise<Rendered> {
  const drawn = await rendered(svg, widthPx * finer);
  return finer === 1 ? drawn : means(drawn, finer);
}

/** Pixels as words, alpha in the highest byte: every machine that Node.js runs on has the lowest byte first. */
const wordsOf = ({ buffer, byteOffset, byteLength }: Buffer): Uint32Array =>
  byteOffset % 4 === 0
    ? new Uint32Array(buffer, byteOffset, byteLength / 4)
    : new Uint32Array(buffer.slice(byteOffset, byteOffset + byteLength));

/** Every second byte of a word. */
const EVEN = 0x00ff00ff;

/** The means of squares of pixels, two channels of a pixel summed in one word. @param side at most 16, so that no sum runs into the next */
function means({ premultiplied, widthPx, heightPx }: Rendered, side: number): Rendered {
  const [wide, high] = [Math.round(widthPx / side), Math.round(heightPx / side)];
  const from = wordsOf(premultiplied);
  const made = new Uint32Array(wide * high);
  const many = side * side;
  const half = ((many >> 1) << 16) | (many >> 1);
  for (let y = 0, to = 0; y < high; y++)
    for (let x = 0; x < wide; x++, to++) {
      let [even, odd] = [half, half];
      for (let j = 0; j < side; j++) {
        // A height that is no multiple of the side ends in a row that is there.
        const row = Math.min(heightPx - 1, y * side + j) * widthPx + x * side;
        for (let at = row; at < row + side; at++) {
          const pixel = from[at] as number;
          even += pixel & EVEN;
          odd += (pixel >>> 8) & EVEN;
        }
      }
      const [red, blue] = [((even & 0xffff) / many) | 0, ((even >>> 16) / many) | 0];
      const [green, alpha] = [((odd & 0xffff) / many) | 0, ((odd >>> 16) / many) | 0];
      made[to] = red | (green << 8) | (blue << 16) | (alpha << 24);
    }
  return { premultiplied: Buffer.from(made.buffer), widthPx: wide, heightPx: high };
}

/** Color of a premultiplied channel, by channel and alpha: a division for each of millions of pixels would take longer than rendering them. */
let table: Uint8Array | undefined;
function straightOf(): Uint8Array {
  if (table) return table;
  table = new Uint8Array(256 * 256);
  for (let alpha = 1; alpha < 256; alpha++)
    for (let channel = 0; channel < 256; channel++) table[alpha * 256 + channel] = Math.min(255, Math.floor(channel / (alpha / 255) + 0.5));
  return table;
}

/** So many bytes are looked at together: around a mark pixels are clear by the thousand, which memory is compared for at once. */
const RUN_BYTES = 4096;
const CLEAR = Buffer.alloc(RUN_BYTES);
/** From this word on a pixel is full. */
const FULL = 0xff000000;

/** Divides the colors of a run of pixels by their alpha: those at edges, as what is clear or full stays as it is. */
function straightRun(pixels: Uint32Array, from: number, to: number, colors: Uint8Array): void {
  for (let at = from; at < to; at++) {
    const pixel = pixels[at] as number;
    if (pixel === 0 || pixel >= FULL) continue;
    const row = (pixel >>> 16) & 0xff00;
    const [red, green, blue] = [colors[row | (pixel & 255)], colors[row | ((pixel >>> 8) & 255)], colors[row | ((pixel >>> 16) & 255)]];
    pixels[at] = (red as number) | ((green as number) << 8) | ((blue as number) << 16) | (pixel & FULL);
  }
}

/** Divides colors by alpha, in place: what was rendered is used up. @source Porter and Duff, 1984: premultiplied color */
export function straight({ premultiplied: rgba, widthPx, heightPx }: Rendered): StraightPixels {
  const colors = straightOf();
  const pixels = wordsOf(rgba);
  for (let from = 0; from < rgba.length; from += RUN_BYTES) {
    const to = Math.min(rgba.length, from + RUN_BYTES);
    if (rgba.compare(CLEAR, 0, to - from, from, to) !== 0) straightRun(pixels, from / 4, to / 4, colors);
  }
  return { rgba: Buffer.from(pixels.buffer, pixels.byteOffset, pixels.byteLength), widthPx, heightPx };
}

/** Hands pixels to the codecs. */
export const toCodec = ({ rgba, widthPx, heightPx }: StraightPixels): Sharp =>
  sharp(rgba, {
    raw: { width: widthPx, height: heightPx, channels: 4 },
    // Its size was checked where the picture was asked for.
    limitInputPixels: false,
  });

/** The pixels as a PNG that says nothing but them: the codec would claim 25.4 pixels per inch where nobody said any. */
export const plainPng = async (pixels: StraightPixels): Promise<Uint8Array> =>
  withoutDensity(await toCodec(pixels).png({ compressionLevel: 6 }).toBuffer());
