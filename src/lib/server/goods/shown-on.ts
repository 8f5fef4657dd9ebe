import sharp from 'sharp';
import {
  artPyramid,
  canvasSchema,
  composeScene,
  heightOf,
  toSvg,
  widthOf,
  type Hex,
  type Printed,
  type PrintWay,
  type SceneFacts,
} from '$core/index';
import type { PictureSubject } from '../formats';
import { embedded, framed } from '../formats/framed';
import { rendered, straight } from '../formats/rendered';
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

/** Shows a mark on goods. @returns a JPEG */
export async function shownOn(subject: PictureSubject, order: GoodsOrder): Promise<Uint8Array> {
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
  const { pixels, ...size } = order.own ? await onOwnPhoto(order.own, order.widthPx, printed) : await onScene(facts, order, printed);
  return sharp(pixels, { raw: { ...size, channels: 3 } })
    .withIccProfile('srgb')
    .jpeg({ quality: order.widthPx > 1000 ? 90 : 84 })
    .toBuffer();
}

async function onScene(facts: SceneFacts, { tint, widthPx }: GoodsOrder, printed: readonly Printed[]) {
  const layers = await sceneLayers(facts, Math.min(widthPx, facts.widthPx));
  const { widthPx: width, heightPx: height } = layers.map;
  return { pixels: composeScene(layers, facts, tint ?? (facts.start.color as Hex), printed), width, height };
}
