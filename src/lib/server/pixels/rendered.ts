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

/** The means of squares of pixels. */
function means({ premultiplied, widthPx, heightPx }: Rendered, side: number): Rendered {
  const [wide, high] = [Math.round(widthPx / side), Math.round(heightPx / side)];
  const made = Buffer.alloc(wide * high * 4);
  const many = side * side;
  for (let y = 0, to = 0; y < high; y++)
    for (let x = 0; x < wide; x++, to += 4)
      for (let channel = 0; channel < 4; channel++) {
        let sum = many / 2;
        for (let j = 0; j < side; j++) {
          // A height that is no multiple of the side ends in a row that is there.
          const row = Math.min(heightPx - 1, y * side + j);
          for (let i = 0, at = (row * widthPx + x * side) * 4 + channel; i < side; i++, at += 4) sum += premultiplied[at] as number;
        }
        made[to + channel] = Math.floor(sum / many);
      }
  return { premultiplied: made, widthPx: wide, heightPx: high };
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

/** Divides the colors of a run of pixels by their alpha. @param from of the run in `rgba`, in bytes @param to likewise */
function straightRun(rgba: Uint8Array, from: number, to: number, colors: Uint8Array): void {
  for (let at = from; at < to; at += 4) {
    const alpha = rgba[at + 3] as number;
    if (alpha === 0 || alpha === 255) continue;
    const row = alpha << 8;
    rgba[at] = colors[row | (rgba[at] as number)] as number;
    rgba[at + 1] = colors[row | (rgba[at + 1] as number)] as number;
    rgba[at + 2] = colors[row | (rgba[at + 2] as number)] as number;
  }
}

/** Divides colors by alpha, in place: what was rendered is used up. @source Porter and Duff, 1984: premultiplied color */
export function straight({ premultiplied: rgba, widthPx, heightPx }: Rendered): StraightPixels {
  const colors = straightOf();
  for (let from = 0; from < rgba.length; from += RUN_BYTES) {
    const to = Math.min(rgba.length, from + RUN_BYTES);
    if (rgba.compare(CLEAR, 0, to - from, from, to) !== 0) straightRun(rgba, from, to, colors);
  }
  return { rgba, widthPx, heightPx };
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
