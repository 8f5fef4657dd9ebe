import { createCanvas, loadImage, Path2D, type Canvas, type Image, type SKRSContext2D } from '@napi-rs/canvas';
import {
  pathData,
  type Affine,
  type Bounds,
  type Drawing,
  type DrawingNode,
  type Fill,
  type Gradient,
  type Group,
  type Hex,
} from '$core/index';

/** How pictures are found by whoever paints. */
export type PictureBytes = (sha256: string) => Promise<Uint8Array>;

/** Where `lookAt` opens pictures beforehand. */
async function openPictures(nodes: readonly DrawingNode[], bytes: PictureBytes, into: Map<string, Image>): Promise<void> {
  for (const node of nodes) {
    if (node.kind === 'group') await openPictures(node.children, bytes, into);
    else if (node.kind === 'picture' && !into.has(node.sha256))
      into.set(node.sha256, await loadImage(Buffer.from(await bytes(node.sha256))));
  }
}

function gradientStyle(context: SKRSContext2D, { kind, stops }: Gradient) {
  const style = kind === 'linear' ? context.createLinearGradient(0, 0, 1, 0) : context.createRadialGradient(0, 0, 0, 0, 0, 1);
  for (const { at, color, opacity } of stops)
    style.addColorStop(
      at,
      `${color}${Math.round(opacity * 255)
        .toString(16)
        .padStart(2, '0')}`,
    );
  return style;
}

/** Paints a drawing by Skia: another renderer than any that writes our files, to hold them against. */
class Painter {
  constructor(
    readonly widthPx: number,
    readonly heightPx: number,
    readonly pictures: ReadonlyMap<string, Image>,
  ) {}

  layer(): { readonly canvas: Canvas; readonly context: SKRSContext2D } {
    const canvas = createCanvas(this.widthPx, this.heightPx);
    const context = canvas.getContext('2d');
    context.imageSmoothingQuality = 'high';
    return { canvas, context };
  }

  nodes(context: SKRSContext2D, nodes: readonly DrawingNode[]): void {
    for (const node of nodes) {
      context.save();
      if (node.kind === 'group') this.group(context, node);
      else if (node.kind === 'fill') this.fill(context, node);
      else {
        const image = this.pictures.get(node.sha256);
        context.clip(new Path2D(pathData(node.path)), node.rule);
        context.globalAlpha *= node.opacity;
        context.transform(...six(node.map));
        if (image) context.drawImage(image, 0, 0, 1, 1);
      }
      context.restore();
    }
  }

  fill(context: SKRSContext2D, { path, rule, color, gradient, opacity }: Fill): void {
    context.globalAlpha *= opacity;
    const outline = new Path2D(pathData(path));
    if (!gradient) {
      context.fillStyle = color;
      context.fill(outline, rule);
      return;
    }
    // The canvas's own gradients are plain: others are unrolled copy by copy, within the outline.
    context.clip(outline, rule);
    context.transform(...six(gradient.map));
    if (gradient.spread === 'pad') {
      context.fillStyle = gradientStyle(context, gradient);
      context.fillRect(-1e5, -1e5, 2e5, 2e5);
      return;
    }
    const turns = 40;
    const unrolled: Gradient = {
      ...gradient,
      stops: Array.from({ length: 2 * turns }, (_, index) => index - turns)
        .filter((turn) => gradient.kind === 'linear' || turn >= 0)
        .flatMap((turn) => {
          const turned = gradient.spread === 'reflect' && turn % 2 !== 0;
          const round = turned ? [...gradient.stops].reverse().map((stop) => ({ ...stop, at: 1 - stop.at })) : gradient.stops;
          return round.map((stop) => ({ ...stop, at: turn + stop.at }));
        }),
    };
    const style =
      gradient.kind === 'linear' ? context.createLinearGradient(-turns, 0, turns, 0) : context.createRadialGradient(0, 0, 0, 0, 0, turns);
    for (const { at, color: tint, opacity: alpha } of unrolled.stops)
      style.addColorStop(
        gradient.kind === 'linear' ? (at + turns) / (2 * turns) : at / turns,
        `${tint}${Math.round(alpha * 255)
          .toString(16)
          .padStart(2, '0')}`,
      );
    context.fillStyle = style;
    context.fillRect(-1e5, -1e5, 2e5, 2e5);
  }

  group(context: SKRSContext2D, { transform, clip, opacity, blend, children }: Group): void {
    context.transform(...six(transform));
    if (clip) context.clip(new Path2D(pathData(clip.path)), clip.rule);
    if (opacity === 1 && blend === 'normal') {
      this.nodes(context, children);
      return;
    }
    const own = this.layer();
    own.context.setTransform(context.getTransform());
    this.nodes(own.context, children);
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.globalAlpha *= opacity;
    context.globalCompositeOperation = blend === 'normal' ? 'source-over' : blend;
    context.drawImage(own.canvas, 0, 0);
  }
}

const six = ({ a, b, c, d, e, f }: Affine) => [a, b, c, d, e, f] as const;

/** A drawing on a canvas, painted by Skia. @param ground painted first */
export async function painted(
  drawing: Drawing,
  {
    box,
    widthPx,
    heightPx,
    ground,
  }: { readonly box: Bounds; readonly widthPx: number; readonly heightPx: number; readonly ground?: Hex | undefined },
  pictures: PictureBytes,
): Promise<Canvas> {
  const opened = new Map<string, Image>();
  await openPictures(drawing.groups, pictures, opened);
  const painter = new Painter(widthPx, heightPx, opened);
  const { canvas, context } = painter.layer();
  // What blends, blends with what is drawn, not with the ground.
  const mark = painter.layer();
  const [x, y] = [widthPx / (box.right - box.left), heightPx / (box.bottom - box.top)];
  mark.context.setTransform(x, 0, 0, y, -box.left * x, -box.top * y);
  painter.nodes(mark.context, drawing.groups);
  if (ground) {
    context.fillStyle = ground;
    context.fillRect(0, 0, widthPx, heightPx);
  }
  context.drawImage(mark.canvas, 0, 0);
  return canvas;
}
