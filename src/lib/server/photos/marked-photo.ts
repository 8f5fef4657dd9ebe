import sharp from 'sharp';
import { toSvg, type BlendFormula, type Group, type PhotoFormat } from '$core/index';
import { storedFile } from '../files';
import { pathAlgebra } from '../fonts';
import { embedded } from '../formats/framed';
import { inPixels } from '../pixels/in-pixels';
import type { OverlayOrder } from '../pixels/marked';
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
): Promise<readonly OverlayOrder[]> {
  const wide = box.right - box.left;
  const rows = Math.max(1, Math.floor(STRIP_PIXELS / wide));
  const plain = groups.map((group) => ({ ...group, blend: 'normal' as const }));
  const pictureAddress = await embedded({ groups: plain }, own, scale);
  const overlays: OverlayOrder[] = [];
  for (let top = box.top; top < box.bottom; top += rows) {
    const bottom = Math.min(box.bottom, top + rows);
    const view = { left: box.left / scale, right: box.right / scale, top: top / scale, bottom: bottom / scale };
    const svg = toSvg({ groups: plain }, { box: view, title: '', widthPx: wide, heightPx: bottom - top, pictureAddress });
    overlays.push({ blend, svg, widthPx: wide, left: box.left, top });
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

/** Formats that keep 16 bits a channel. */
const DEEP_FORMATS: ReadonlySet<PhotoFormat> = new Set(['png', 'tiff']);

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
  const overlays: OverlayOrder[] = [];
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
  const keepsProfile = output.keepProfile && order.hasProfile && overlays.every(({ blend }) => blend === 'normal');
  const said = saidRights(order);
  const file = await inPixels('marked', {
    file: await storedFile(order.sha256),
    overlays,
    widthPx: wide,
    heightPx: high,
    smaller: scale < 1,
    deep,
    keepsProfile,
    format: output.format,
    quality: output.quality,
    exif: {
      ...(output.creator ? { Artist: plainText(output.creator) } : {}),
      ...(said ? { Copyright: plainText(said).slice(0, 2000) } : {}),
      Software: 'Lucky Thistle',
    },
    xmp: xmpOf(order),
  });
  const told = { said: { creator: output.creator, copyright: said }, ...(keepsProfile ? {} : { profile: await srgbProfile() }) };
  const bytes = output.format === 'jpeg' ? toldJpeg(file, told) : file;
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
