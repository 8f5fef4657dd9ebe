import sharp, { type Sharp } from 'sharp';
import {
  artPyramid,
  canvasSchema,
  composeScene,
  heightOf,
  sideBySide,
  toSvg,
  widthOf,
  type Hex,
  type Printed,
  type PrintWay,
  type SceneFacts,
  type SheetCell,
} from '$core/index';
import type { PictureSubject } from '../formats';
import { embedded, framed } from '../formats/framed';
import { rendered, straight } from '../pixels/rendered';
import { notFound } from '../http/problem-error';
import { onOwnPhoto, ownFacts, type OwnOrder } from './own-photo';
import { sceneLayers, scenes } from './scenes';

/** A mark on goods, as it is asked for. */
export interface GoodsOrder {
  readonly scene: string;
  readonly widthPx: number;
  /** Color of the goods; what the scene begins with where it is left out. */
  readonly tint?: Hex;
  readonly way?: PrintWay;
  /** Which print area, from 1; 0 is all of them. */
  readonly area: number;
  /** Middle of the mark, as shares of the area; its size, as a share of the largest that fits. */
  readonly x: number;
  readonly y: number;
  readonly size: number;
  readonly turnDeg: number;
  /** Goods on a photo of one's own. */
  readonly own?: OwnOrder;
}

/** The mark is drawn so fine, along its longer side; no scene shows it finer. */
const ART_SIDE_PX = 1400;

/** Pixels without alpha. */
interface Shown {
  readonly pixels: Uint8Array;
  readonly width: number;
  readonly height: number;
}

/** A mark on goods, in pixels: as wide as is asked for, or as the goods are where that is less. */
async function pixelsOn(subject: PictureSubject, order: GoodsOrder): Promise<Shown> {
  const facts = order.own ? ownFacts(order.own) : scenes().find(({ name }) => name === order.scene);
  if (!facts) throw notFound('scene');
  const { drawing, frame } = await framed(subject, { canvas: canvasSchema.parse({}), welded: false }, false);
  const [wide, high] = [widthOf(frame.box), heightOf(frame.box)];
  const scale = Math.min(ART_SIDE_PX, order.widthPx) / Math.max(wide, high);
  const [widthPx, heightPx] = [Math.max(1, Math.round(wide * scale)), Math.max(1, Math.round(high * scale))];
  const svg = toSvg(drawing, {
    box: frame.box,
    title: '',
    widthPx,
    heightPx,
    pictureAddress: await embedded(drawing, subject.ownPictures, scale),
  });
  const drawn = straight(await rendered(svg, widthPx));
  const art = artPyramid(new Uint8Array(drawn.rgba), drawn.widthPx, drawn.heightPx);
  const printed = facts.areas.flatMap((area, at) => {
    if (order.area !== 0 && order.area !== at + 1) return [];
    // The largest that fits what is seen of the area, times the share.
    const widthMm = order.size * Math.min(area.shownMm ?? area.widthMm, (area.heightMm * wide) / high);
    return [
      {
        area: at + 1,
        art,
        x: order.x,
        y: order.y,
        width: widthMm / area.widthMm,
        turnDeg: order.turnDeg,
        way: order.way ?? facts.start.way,
      },
    ];
  });
  return order.own ? onOwnPhoto(order.own, order.widthPx, printed) : onScene(facts, order, printed);
}

const asJpeg = (picture: Sharp, widthPx: number): Promise<Uint8Array> =>
  picture
    .withIccProfile('srgb')
    .jpeg({ quality: widthPx > 1000 ? 90 : 84 })
    .toBuffer();

/** Shows a mark on goods. @returns a JPEG */
export async function shownOn(subject: PictureSubject, order: GoodsOrder): Promise<Uint8Array> {
  const { pixels, ...size } = await pixelsOn(subject, order);
  return asJpeg(sharp(pixels, { raw: { ...size, channels: 3 } }), order.widthPx);
}

/** Several goods with a mark on them, side by side on one sheet. */
export interface SheetOrder {
  readonly goods: readonly { readonly subject: PictureSubject; readonly order: GoodsOrder }[];
  readonly widthPx: number;
  readonly heightPx: number;
  /** What lies between them. */
  readonly ground: Hex;
}

/** Shows a mark on several goods in one picture. @returns a JPEG */
export async function shownSideBySide({ goods, widthPx, heightPx, ground }: SheetOrder): Promise<Uint8Array> {
  const ratios = goods.map(({ order: { own, scene } }) => {
    const facts = own ? ownFacts(own) : scenes().find(({ name }) => name === scene);
    if (!facts) throw notFound('scene');
    return facts.widthPx / facts.heightPx;
  });
  const { cells } = sideBySide(ratios, widthPx);
  const laid = [];
  // One after the other: their layers are large.
  for (const [at, { subject, order }] of goods.entries()) {
    const { left, top, width, height } = cells[at] as SheetCell;
    const { pixels, ...size } = await pixelsOn(subject, { ...order, widthPx: width });
    const input = await sharp(pixels, { raw: { ...size, channels: 3 } })
      .resize(width, height, { fit: 'fill' })
      .raw()
      .toBuffer();
    laid.push({ input, raw: { width, height, channels: 3 as const }, left, top });
  }
  return asJpeg(sharp({ create: { width: widthPx, height: heightPx, channels: 3, background: ground } }).composite(laid), widthPx);
}

async function onScene(facts: SceneFacts, { tint, widthPx }: GoodsOrder, printed: readonly Printed[]) {
  const layers = await sceneLayers(facts, Math.min(widthPx, facts.widthPx));
  const { widthPx: width, heightPx: height } = layers.map;
  return { pixels: composeScene(layers, facts, tint ?? (facts.start.color as Hex), printed), width, height };
}
