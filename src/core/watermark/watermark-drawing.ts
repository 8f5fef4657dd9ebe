import { notNought } from '../numeric/tolerances';
import type { Hex } from '../color/hex';
import { luminance } from '../color/contrast';
import type { Dressing } from '../color/dressings';
import { compose, rotation, scaling, translation, type Affine, type Bounds, type Path, type PathAlgebra, type Region } from '../geometry';
import { outlinesIn, type Drawing, type DrawingNode, type Group } from '../marks';
import { weldGrown } from '../geometry/offset';
import { inkCells, inkCellsByColor, type InkCells } from './ink-cells';
import { stampPlace, type PhotoSize, type StampPlace } from './place';
import { protectionOf, type Protection } from './protection';
import type { Stamp, ToneWish, Veil, Watermark } from './settings';
import { chosenTone, turningLightness, type ToneChoice } from './tone';
import type { PhotoTones } from './tones';
import { veilLayout } from './veil';

/** A mark as watermarks use it: drawn in one color, true alpha, and in the colorways that are asked for. */
export interface WatermarkSource {
  readonly oneColor: Drawing;
  readonly own: ReadonlyMap<Dressing, Drawing>;
  readonly ink: Bounds;
}

/** What watermarks are painted with. */
export interface WatermarkTones {
  readonly light: Hex;
  readonly dark: Hex;
  /** The color of a swatch, if the palette has it. */
  readonly swatch: (key: string) => Hex | undefined;
}

/** Where a stamp came to lie, and in which tone. */
export interface LaidStamp extends StampPlace {
  readonly id: string;
  readonly choice?: ToneChoice;
}
export interface LaidWatermark {
  /** In the picture's pixels, back to front. */
  readonly drawing: Drawing;
  readonly stamps: readonly LaidStamp[];
  readonly protection: Protection;
}

/** All of a one-color drawing in another color. */
function tinted(nodes: readonly DrawingNode[], color: Hex): readonly DrawingNode[] {
  return nodes.map((node): DrawingNode => {
    if (node.kind === 'picture') return node;
    if (node.kind === 'group') return { ...node, children: tinted(node.children, color) };
    const { gradient, ...fill } = node;
    return {
      ...fill,
      color,
      ...(gradient ? { gradient: { ...gradient, stops: gradient.stops.map((stop) => ({ ...stop, color })) } } : {}),
    };
  });
}

/** Whether nodes are one fill, which is as translucent by itself as within its groups: renderers are spared a layer for every copy of it. */
function isOneFill(nodes: readonly DrawingNode[]): boolean {
  const [only, other] = nodes;
  if (!only || other || only.kind === 'picture') return false;
  return only.kind === 'fill' || (only.opacity === 1 && only.blend === 'normal' && !only.clip && isOneFill(only.children));
}

/** One fill within its groups, more translucent. */
const fainter = (nodes: readonly DrawingNode[], by: number): readonly DrawingNode[] =>
  nodes.map((node) =>
    node.kind === 'group' ? { ...node, children: fainter(node.children, by) } : { ...node, opacity: node.opacity * by },
  );

const plainGroup = (id: string, children: readonly DrawingNode[], more: Partial<Group> = {}): Group => ({
  kind: 'group',
  id,
  transform: { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 },
  opacity: 1,
  blend: 'normal',
  children,
  ...more,
});

/** From a mark's plane to the picture. */
function laying(ink: Bounds, { centerX, centerY, widthPx, turnDeg }: StampPlace): Affine {
  const scale = widthPx / notNought(ink.right - ink.left);
  const middle = translation(-(ink.left + ink.right) / 2, -(ink.top + ink.bottom) / 2);
  return compose(translation(centerX, centerY), compose(rotation(turnDeg), compose(scaling(scale, scale), middle)));
}

/** Half-cells of a grid as one outline: where the picture is lighter, or darker, than a lightness; smooth enough for letters, and vectors. */
function cellsWhere(tones: PhotoTones, photo: PhotoSize, light: boolean, limit: number): Path {
  let verbs = '';
  const coords: number[] = [];
  const [wide, high] = [photo.widthPx / tones.columns, photo.heightPx / tones.rows];
  for (let y = 0; y < tones.rows; y++)
    for (let x = 0, from = -1; x <= tones.columns; x++) {
      const inside = x < tones.columns && (tones.light[y * tones.columns + x] as number) > limit === light;
      if (inside && from < 0) from = x;
      if (inside || from < 0) continue;
      const [left, right, top, bottom] = [from * wide, x * wide, y * high, (y + 1) * high];
      verbs += 'MLLLZ';
      coords.push(left, top, right, top, right, bottom, left, bottom);
      from = -1;
    }
  return { verbs, coords };
}

/** What is set around a stamp, in marks' own size: a share of its longer side. */
const LINE = 0.006;
const HALO_STEPS = 5;
const HALO = 0.03;

/** Ink is light from this luminance on: what sets it off is dark then. */
const LIGHT_INK = 0.35;

function edgesOf(source: WatermarkSource, edge: Stamp['edge'], color: Hex, paths: PathAlgebra): readonly DrawingNode[] {
  if (edge === 'none') return [];
  const longer = Math.max(source.ink.right - source.ink.left, source.ink.bottom - source.ink.top);
  const outlines = outlinesIn<DrawingNode>(source.oneColor.groups, undefined, true);
  const band = (by: number, opacity: number): DrawingNode => {
    const { path, rule }: Region = weldGrown(outlines, by, 'round', paths);
    return { kind: 'fill', path, rule, color, opacity };
  };
  if (edge === 'line') return [band(longer * LINE, 1)];
  // A soft rim in steps, each a little narrower: vectors, so that it is the same in every file.
  return Array.from({ length: HALO_STEPS }, (_, n) => band((longer * HALO * (HALO_STEPS - n)) / HALO_STEPS, 0.16));
}

interface Laying {
  /** Whether what it protects is measured; a drag goes without. */
  readonly measured?: boolean;
  readonly photo: PhotoSize;
  readonly tones: PhotoTones;
  readonly colors: WatermarkTones;
  readonly paths: PathAlgebra;
}
interface ToneInk {
  readonly ink: InkCells;
  readonly luminance: number;
  readonly strokes: number;
}

function layStamp(
  stamp: Stamp,
  source: WatermarkSource,
  { photo, tones, colors, paths }: Laying,
): { readonly group: Group; readonly laid: LaidStamp; readonly inks: readonly ToneInk[] } {
  const place = stampPlace(photo, source.ink, stamp);
  const map = laying(source.ink, place);
  const opacity = stamp.opacityPercent / 100;
  const [light, dark] = [luminance(colors.light), luminance(colors.dark)];
  const whole = inkCells(photo, tones.columns, tones.rows, source.oneColor, map);
  const wish: ToneWish = stamp.tone;
  const choice = wish === 'auto' ? chosenTone(tones, whole, light, dark) : undefined;
  const faded = { ...whole, cover: whole.cover.map((value) => value * opacity) };
  const more = { transform: map, opacity, blend: stamp.blend } as const;
  const laid = { ...place, id: stamp.id, ...(choice ? { choice } : {}) };
  if (wish === 'full') {
    const drawing = source.own.get(stamp.dressing) ?? source.oneColor;
    const colored = inkCellsByColor(photo, tones.columns, tones.rows, drawing, map);
    // Set off by the tone that most of its ink has not.
    const sum = ({ cover }: InkCells) => cover.reduce((total, value) => total + value, 0);
    const [most] = [...colored].sort(([, one], [, other]) => sum(other) - sum(one));
    const rim = most && luminance(most[0]) > LIGHT_INK ? colors.dark : colors.light;
    return {
      group: plainGroup(`stamp-${stamp.id}`, [...edgesOf(source, stamp.edge, rim, paths), ...drawing.groups], more),
      laid,
      inks: [...colored].map(([color, ink]) => ({
        ink: { ...ink, cover: ink.cover.map((value) => value * opacity) },
        luminance: luminance(color),
        strokes: opacity,
      })),
    };
  }
  const tone = choice?.tone ?? wish;
  if (tone === 'split') {
    const limit = turningLightness(light, dark);
    const half = (isLight: boolean): Group =>
      plainGroup(
        `stamp-${stamp.id}-${isLight ? 'dark' : 'light'}`,
        [plainGroup('', tinted(source.oneColor.groups, isLight ? colors.dark : colors.light), { transform: map })],
        { clip: { path: cellsWhere(tones, photo, isLight, limit), rule: 'nonzero' } },
      );
    const part = (isLight: boolean): ToneInk => ({
      ink: { ...faded, cover: faded.cover.map((value, at) => ((tones.light[at] as number) > limit === isLight ? value : 0)) },
      luminance: isLight ? dark : light,
      strokes: opacity,
    });
    return {
      group: plainGroup(`stamp-${stamp.id}`, [half(false), half(true)], { opacity, blend: stamp.blend }),
      laid,
      inks: [part(false), part(true)],
    };
  }
  const color = tone === 'light' ? colors.light : tone === 'dark' ? colors.dark : (colors.swatch(tone) ?? colors.dark);
  const other = luminance(color) > LIGHT_INK ? colors.dark : colors.light;
  const children = [...edgesOf(source, stamp.edge, other, paths), ...tinted(source.oneColor.groups, color)];
  return {
    group: plainGroup(`stamp-${stamp.id}`, children, more),
    laid,
    inks: [{ ink: faded, luminance: luminance(color), strokes: opacity }],
  };
}

/** How far the dark copy of a two-tone veil lies behind the light one, as a share of one repetition's width. */
const BEHIND = 0.012;
/** How strong a veil stays over a place that it spares. */
const SPARED = 0.35;

function layVeil(
  veil: Veil,
  spare: Watermark['spare'],
  source: WatermarkSource,
  { photo, tones, colors, measured = true }: Laying,
): { readonly group: Group; readonly inks: readonly ToneInk[] } {
  const ratio = (source.ink.bottom - source.ink.top) / notNought(source.ink.right - source.ink.left);
  const layout = veilLayout(photo, ratio, veil);
  const strength = veil.opacityPercent / 100;
  const calm = (x: number, y: number): number => {
    const [column, row] = [Math.floor((x / photo.widthPx) * tones.columns), Math.floor((y / photo.heightPx) * tones.rows)];
    let [sum, count] = [0, 0];
    for (let j = row - 2; j <= row + 2; j++)
      for (let i = column - 2; i <= column + 2; i++)
        if (i >= 0 && j >= 0 && i < tones.columns && j < tones.rows) {
          sum += tones.busy[j * tones.columns + i] as number;
          count++;
        }
    return count === 0 ? 0.5 : Math.max(0, 1 - sum / count / 12);
  };
  const shadeOf = (x: number, y: number): number => {
    const followed = 1 + (veil.followPercent / 100) * (calm(x, y) - 0.5) * 1.4;
    const [u, v] = [x / photo.widthPx, y / photo.heightPx];
    const inside = spare && u > spare.left && u < spare.right && v > spare.top && v < spare.bottom;
    return Math.min(1, strength * followed * (inside ? SPARED : 1));
  };
  const copies = (color: Hex, id: string, away: number): Group => {
    const drawn = tinted(source.oneColor.groups, color);
    const single = isOneFill(drawn);
    return plainGroup(
      id,
      layout.spots.map(({ x, y }) =>
        plainGroup('', single ? fainter(drawn, shadeOf(x, y)) : drawn, {
          transform: laying(source.ink, {
            centerX: x + away,
            centerY: y + away,
            widthPx: layout.widthPx,
            heightPx: layout.heightPx,
            turnDeg: veil.angleDeg,
          }),
          opacity: single ? 1 : shadeOf(x, y),
        }),
      ),
    );
  };
  const away = layout.widthPx * BEHIND;
  const layers = [
    ...(veil.tone === 'light' ? [] : [{ color: colors.dark, id: 'veil-dark', away: veil.tone === 'two' ? away / 2 : 0 }]),
    ...(veil.tone === 'dark' ? [] : [{ color: colors.light, id: 'veil-light', away: veil.tone === 'two' ? -away / 2 : 0 }]),
  ];
  const groups = layers.map(({ color, id, away: by }) => copies(color, id, by));
  return {
    group: plainGroup('veil', groups),
    inks: (measured ? layers : []).map(({ color }, n) => ({
      ink: inkCells(photo, tones.columns, tones.rows, { groups: [groups[n] as Group] }),
      luminance: luminance(color),
      strokes: strength,
    })),
  };
}

/**
 * Draws the watermark of one picture, the veil behind, stamps in front, as one drawing in the picture's pixels: the same for the page and for every file.
 * @param sources marks by their ids, and the veil's line under `veil`; those that draw nothing are left out
 */
export function watermarkDrawing(watermark: Watermark, sources: ReadonlyMap<string, WatermarkSource>, laying_: Laying): LaidWatermark {
  const groups: Group[] = [];
  const stamps: LaidStamp[] = [];
  const inks: ToneInk[] = [];
  const { veil } = watermark;
  const veilSource = veil && sources.get(veil.text ? 'veil' : veil.mark);
  if (veil && veilSource) {
    const made = layVeil(veil, watermark.spare, veilSource, laying_);
    groups.push(made.group);
    inks.push(...made.inks);
  }
  for (const stamp of watermark.stamps) {
    const source = sources.get(stamp.mark);
    if (!source) continue;
    const made = layStamp(stamp, source, laying_);
    groups.push(made.group);
    stamps.push(made.laid);
    inks.push(...made.inks);
  }
  return { drawing: { groups }, stamps, protection: protectionOf(laying_.tones, inks) };
}

/**
 * The lowest opacity of a veil or stamps that keeps a share of the picture protected, by halving.
 * @param at makes the watermark with an opacity, in percent
 * @returns the opacity in percent, and the share that it reaches; the highest where even that is not enough
 */
export function leastOpacity(
  wanted: number,
  range: { readonly low: number; readonly high: number },
  at: (opacityPercent: number) => Protection,
): { readonly opacityPercent: number; readonly share: number } {
  let [low, high] = [range.low, range.high];
  let reached = at(high).share;
  if (reached < wanted) return { opacityPercent: high, share: reached };
  while (high - low > 0.5) {
    const middle = (low + high) / 2;
    const { share } = at(middle);
    if (share >= wanted) [high, reached] = [middle, share];
    else low = middle;
  }
  return { opacityPercent: Math.ceil(high * 2) / 2, share: reached };
}
