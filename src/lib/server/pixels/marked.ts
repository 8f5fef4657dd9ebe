import sharp, { type Sharp } from 'sharp';
import { layOver, type BlendFormula } from '$core/watermark/blend';
import { rendered } from './rendered';

/** A piece of a watermark that is to be drawn, and where it lies on the photo. */
export interface OverlayOrder {
  readonly blend: BlendFormula;
  /** Without text, and with no address outside of itself. */
  readonly svg: string;
  readonly widthPx: number;
  readonly left: number;
  readonly top: number;
}

/** A photo, what is laid over it, and how it is written. */
export interface MarkedOrder {
  readonly file: Uint8Array;
  readonly overlays: readonly OverlayOrder[];
  /** Size of what is written; the photo is made smaller where it is larger. */
  readonly widthPx: number;
  readonly heightPx: number;
  readonly smaller: boolean;
  /** 16 bits a channel. */
  readonly deep: boolean;
  /** Whether the photo keeps the color profile that it came with; else it becomes sRGB. */
  readonly keepsProfile: boolean;
  readonly format: 'jpeg' | 'png' | 'webp' | 'tiff' | 'avif';
  readonly quality: number;
  /** What is told in EXIF, plain ASCII, and in XMP. */
  readonly exif: Readonly<Record<string, string>>;
  readonly xmp: string;
}

/** A piece of a watermark in pixels: premultiplied. */
interface Overlay extends Omit<OverlayOrder, 'svg'> {
  readonly rgba: Buffer;
  readonly heightPx: number;
}

/** In larger photos, overlays that cover less than this are laid over by the codec, which never holds all pixels at once. */
const SMALL_SHARE = 0.25;
const HELD_PIXELS = 50_000_000;

function encoded(picture: Sharp, { format, quality }: MarkedOrder): Sharp {
  switch (format) {
    case 'jpeg':
      return picture.flatten({ background: '#ffffff' }).jpeg({ quality, chromaSubsampling: quality >= 90 ? '4:4:4' : '4:2:0' });
    case 'png':
      return picture.png({ compressionLevel: 3 });
    case 'webp':
      return picture.webp({ quality, effort: 2 });
    case 'tiff':
      return picture.tiff({ compression: 'deflate', predictor: 'horizontal' });
    case 'avif':
      return picture.avif({ quality, effort: 2 });
  }
}

/** Blends what is laid over a photo by the published formulas, in sRGB: the codec's own way gives other colors where a source is translucent. */
async function blendedOver(picture: Sharp, overlays: readonly Overlay[], deep: boolean): Promise<Sharp> {
  const { data, info } = await picture
    .toColourspace(deep ? 'rgb16' : 'srgb')
    .raw({ depth: deep ? 'ushort' : 'uchar' })
    .toBuffer({ resolveWithObject: true });
  const pixels = deep ? new Uint16Array(data.buffer, data.byteOffset, data.length / 2) : data;
  for (const overlay of overlays)
    layOver(overlay.blend, pixels, { widthPx: info.width, channels: info.channels, most: deep ? 65535 : 255 }, overlay);
  const { width, height, channels } = info;
  return sharp(pixels, { raw: { width, height, channels } });
}

/** Lays a watermark over a photo and writes the file. Nothing of what its camera wrote into it is taken along but, where asked for, its color profile. */
export async function marked(order: MarkedOrder): Promise<Uint8Array> {
  const { widthPx: wide, heightPx: high, deep, keepsProfile } = order;
  const overlays: Overlay[] = [];
  for (const { svg, ...overlay } of order.overlays) {
    const { premultiplied, heightPx } = await rendered(svg, overlay.widthPx);
    overlays.push({ ...overlay, rgba: premultiplied, heightPx });
  }
  const opened = sharp(order.file, { limitInputPixels: false, failOn: 'error' });
  const { hasAlpha } = await opened.metadata();
  let picture = opened.rotate();
  if (deep) picture = picture.pipelineColourspace('rgb16');
  if (order.smaller) picture = picture.resize({ width: wide, height: high, fit: 'fill' });
  const plain = overlays.every(({ blend }) => blend === 'normal');
  const covered = overlays.reduce((sum, overlay) => sum + overlay.widthPx * overlay.heightPx, 0);
  // The codec takes all of a photo through other numbers to lay something over a corner of it; colors of its own and alpha are left to it.
  const byHand = !plain || (!keepsProfile && !deep && !hasAlpha && (wide * high <= HELD_PIXELS || covered > SMALL_SHARE * wide * high));
  if (!byHand)
    picture = picture.composite(
      overlays.map(({ rgba, widthPx: width, heightPx: height, left, top }) => ({
        input: rgba,
        raw: { width, height, channels: 4 as const },
        // What the renderer hands over is premultiplied already.
        premultiplied: true,
        left,
        top,
      })),
    );
  else picture = await blendedOver(picture, overlays, deep);
  if (keepsProfile) picture = picture.keepIccProfile();
  else {
    picture = picture.toColourspace(deep ? 'rgb16' : 'srgb');
    // The codec would put every pixel through the profile that it is in already, which takes as long as all the rest.
    if (order.format !== 'jpeg') picture = picture.withIccProfile('srgb');
  }
  return encoded(picture.withExif({ IFD0: order.exif }).withXmp(order.xmp), order).toBuffer();
}
