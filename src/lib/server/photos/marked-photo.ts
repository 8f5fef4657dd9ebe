import sharp, { type Sharp } from 'sharp';
import { layOver, toSvg, type BlendFormula, type Group, type PhotoFormat, type PhotoOutput } from '$core/index';
import { storedFile } from '../files';
import { pathAlgebra } from '../fonts';
import { embedded } from '../formats/framed';
import { rendered } from '../formats/rendered';
import { toldJpeg } from './jpeg-segments';
import { laidOver, reportOf, saidRights, sourcesOf, xmpOf, type MarkingOrder, type PhotoReport, type UnderWatermark } from './laid-over';

/** One photo to be marked, with everything that its watermark needs. */
export interface PhotoOrder extends MarkingOrder, UnderWatermark {
  readonly sha256: string;
  readonly bits: 8 | 16;
  readonly hasProfile: boolean;
}

/** No strip of an overlay has more pixels, so that memory stays bounded however large the photo is. */
const STRIP_PIXELS = 16_000_000;
/** A piece of a watermark in pixels: premultiplied, where it lies on the photo. */
interface Overlay {
  readonly blend: BlendFormula;
  readonly rgba: Buffer;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly left: number;
  readonly top: number;
}

/** A box around groups' ink, in whole pixels within the photo; nothing where they lie outside. */
interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Draws groups as overlays of a photo: only where they have ink, in strips. */
async function overlaysOf(
  groups: readonly Group[],
  box: Box,
  blend: BlendFormula,
  scale: number,
  own: ReadonlySet<string>,
): Promise<readonly Overlay[]> {
  const wide = box.right - box.left;
  const rows = Math.max(1, Math.floor(STRIP_PIXELS / wide));
  const plain = groups.map((group) => ({ ...group, blend: 'normal' as const }));
  const pictureAddress = await embedded({ groups: plain }, own, scale);
  const overlays: Overlay[] = [];
  for (let top = box.top; top < box.bottom; top += rows) {
    const bottom = Math.min(box.bottom, top + rows);
    const view = { left: box.left / scale, right: box.right / scale, top: top / scale, bottom: bottom / scale };
    const svg = toSvg({ groups: plain }, { box: view, title: '', widthPx: wide, heightPx: bottom - top, pictureAddress });
    const { premultiplied, widthPx, heightPx } = await rendered(svg, wide);
    overlays.push({ blend, rgba: premultiplied, widthPx, heightPx, left: box.left, top });
  }
  return overlays;
}

/** Room around a stamp for its edge and for what treatments add. */
const AROUND = 0.08;

const plainText = (text: string) =>
  text
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/©/g, '(c)')
    .replace(/[^\x20-\x7e]/g, '?');

/** In larger photos, overlays that cover less than this are laid over by the codec, which never holds all pixels at once. */
const SMALL_SHARE = 0.25;
const HELD_PIXELS = 50_000_000;

/** Formats that keep 16 bits a channel. */
const DEEP_FORMATS: ReadonlySet<PhotoFormat> = new Set(['png', 'tiff']);

function written(picture: Sharp, { format, quality }: PhotoOutput): Sharp {
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

let srgb: Promise<Uint8Array> | undefined;
/** The profile that says sRGB, as the codec has it. */
const srgbProfile = (): Promise<Uint8Array> =>
  (srgb ??= (async () => {
    const blank = sharp({ create: { width: 1, height: 1, channels: 3, background: '#fff' } }).withIccProfile('srgb');
    const { icc } = await sharp(await blank.jpeg().toBuffer()).metadata();
    return new Uint8Array(icc ?? []);
  })());

/** Lays its watermark over a photo and writes the file. Nothing of what its camera wrote into it is taken along but, where asked for, its color profile. */
export async function markedPhoto(order: PhotoOrder): Promise<{ readonly bytes: Uint8Array; readonly report: PhotoReport }> {
  const { widthPx, heightPx, output } = order;
  const laid = laidOver(order, await sourcesOf(order, [order.watermark]), order, await pathAlgebra());

  const longer = Math.max(widthPx, heightPx);
  const scale = output.longestPx === undefined ? 1 : Math.min(1, output.longestPx / longer);
  const [wide, high] = [Math.max(1, Math.round(widthPx * scale)), Math.max(1, Math.round(heightPx * scale))];
  const whole = { left: 0, top: 0, right: wide, bottom: high };
  const overlays: Overlay[] = [];
  const stampBoxes = new Map(
    laid.stamps.map((stamp): readonly [string, Box] => {
      const reach = (Math.hypot(stamp.widthPx, stamp.heightPx) / 2) * (1 + AROUND) * scale + 2;
      return [
        `stamp-${stamp.id}`,
        {
          left: Math.max(0, Math.floor(stamp.centerX * scale - reach)),
          top: Math.max(0, Math.floor(stamp.centerY * scale - reach)),
          right: Math.min(wide, Math.ceil(stamp.centerX * scale + reach)),
          bottom: Math.min(high, Math.ceil(stamp.centerY * scale + reach)),
        },
      ];
    }),
  );
  for (const group of laid.drawing.groups) {
    const box = stampBoxes.get(group.id) ?? whole;
    if (box.right > box.left && box.bottom > box.top)
      overlays.push(...(await overlaysOf([group], box, group.blend as BlendFormula, scale, order.ownPictures)));
  }

  const deep = output.deep && order.bits === 16 && DEEP_FORMATS.has(output.format);
  const opened = sharp(await storedFile(order.sha256), { limitInputPixels: false, failOn: 'error' });
  const { hasAlpha } = await opened.metadata();
  let picture = opened.rotate();
  if (deep) picture = picture.pipelineColourspace('rgb16');
  if (scale < 1) picture = picture.resize({ width: wide, height: high, fit: 'fill' });
  const plain = overlays.every(({ blend }) => blend === 'normal');
  const keeps = output.keepProfile && order.hasProfile && plain;
  const covered = overlays.reduce((sum, overlay) => sum + overlay.widthPx * overlay.heightPx, 0);
  // The codec takes all of a photo through other numbers to lay something over a corner of it; colors of its own and alpha are left to it.
  const byHand = !plain || (!keeps && !deep && !hasAlpha && (wide * high <= HELD_PIXELS || covered > SMALL_SHARE * wide * high));
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
  const isJpeg = output.format === 'jpeg';
  if (keeps) picture = picture.keepIccProfile();
  else {
    picture = picture.toColourspace(deep ? 'rgb16' : 'srgb');
    // The codec would put every pixel through the profile that it is in already, which takes as long as all the rest.
    if (!isJpeg) picture = picture.withIccProfile('srgb');
  }
  const said = saidRights(order);
  picture = picture
    .withExif({
      IFD0: {
        ...(output.creator ? { Artist: plainText(output.creator) } : {}),
        ...(said ? { Copyright: plainText(said).slice(0, 2000) } : {}),
        Software: 'Lucky Thistle',
      },
    })
    .withXmp(xmpOf(order));
  const file = await written(picture, output).toBuffer();
  const told = { said: { creator: output.creator, copyright: said }, ...(keeps ? {} : { profile: await srgbProfile() }) };
  const bytes = isJpeg ? toldJpeg(file, told) : file;
  return {
    bytes,
    report: {
      widthPx: wide,
      heightPx: high,
      ...reportOf(laid),
      notes: [
        ...(output.deep && order.bits === 16 && !deep ? [`${output.format.toUpperCase()} keeps 8 bits a channel.`] : []),
        ...(output.keepProfile && order.hasProfile
          ? ['Its own color profile was kept.']
          : order.hasProfile
            ? [`Its colors were converted to sRGB${output.keepProfile ? ', because a stamp is blended with them' : ''}.`]
            : []),
      ],
    },
  };
}

/** Opens a marked photo again and says what is wrong with it, if anything. */
export async function wrongWith(
  bytes: Uint8Array,
  { report, order }: { readonly report: PhotoReport; readonly order: PhotoOrder },
): Promise<readonly string[]> {
  const about = await sharp(bytes, { limitInputPixels: false }).metadata();
  const wanted = order.output.format === 'avif' ? 'heif' : order.output.format;
  return [
    ...(about.format === wanted ? [] : [`it is ${about.format}`]),
    ...(about.width === report.widthPx && about.height === report.heightPx ? [] : [`it is ${about.width} × ${about.height} px`]),
    ...((about.orientation ?? 1) === 1 ? [] : ['it is turned']),
    ...(about.exif && /GPS|MakerNote/i.test(about.exif.toString('latin1')) ? ['it tells where it was taken'] : []),
  ];
}
