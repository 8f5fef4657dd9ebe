import { channelsOf, luminance, type Hex } from '../color';
import {
  apply,
  boundsOf,
  compose,
  flatten,
  invert,
  mapPath,
  type Affine,
  type Bounds,
  type FillRule,
  type Point,
  type Polygon,
} from '../geometry';
import { walkNodes, type Drawing, type DrawingNode, type Gradient, type Group } from '../marks/drawing/drawing';
import type { Pixels } from '../pictures';

/** The pixels of a picture, where they are at hand; a small copy does. */
export type PixelsOf = (sha256: string) => Pixels | undefined;

/** A color that lets through some of what lies behind it: channels and opacity in [0, 1]. */
interface Tint {
  readonly red: number;
  readonly green: number;
  readonly blue: number;
  readonly opacity: number;
}

/** What is painted at a place, and the outermost group that it belongs to; `unknown` where the pixels are not at hand. */
export interface Layer {
  readonly group: string;
  readonly tint: Tint | 'unknown';
}

/** Outlines are flattened this finely where it is asked what lies behind a letter, in mark pixels. */
const FINE_PX = 0.5;
/** What a screen or a sheet shows where nothing is painted. */
const BARE: Tint = { red: 1, green: 1, blue: 1, opacity: 1 };

class Area {
  readonly box: Bounds | undefined;
  #polygons: readonly Polygon[] | undefined;
  constructor(
    private readonly path: Parameters<typeof flatten>[0],
    private readonly rule: FillRule,
  ) {
    this.box = boundsOf(path);
  }
  /** Whether a point lies in it: by the crossings of a line to the right, counted as its rule says. @source winding number: ISO 32000-1, 8.5.3.3 */
  holds({ x, y }: Point): boolean {
    const { box } = this;
    if (!box || x < box.left || x > box.right || y < box.top || y > box.bottom) return false;
    this.#polygons ??= flatten(this.path, FINE_PX);
    let [winding, crossings] = [0, 0];
    for (const polygon of this.#polygons)
      polygon.forEach((from, at) => {
        const to = polygon[(at + 1) % polygon.length] ?? from;
        if (from.y > y === to.y > y || x >= from.x + ((to.x - from.x) * (y - from.y)) / (to.y - from.y)) return;
        crossings++;
        winding += to.y > from.y ? 1 : -1;
      });
    return this.rule === 'evenodd' ? crossings % 2 === 1 : winding !== 0;
  }
}

/** Something painted, where it lies in the mark's plane. */
export interface Leaf {
  readonly group: string;
  readonly area: Area;
  readonly clips: readonly Area[];
  readonly opacity: number;
  readonly colorAt: (point: Point) => Tint | 'unknown' | undefined;
}

const tintOf = (color: Hex, opacity = 1): Tint => ({ ...channelsOf(color), opacity });

/** The color of a gradient at a point of its own plane. @source W3C SVG 2, 14.2: colors pass into one another in sRGB, ends go on */
function passing({ kind, spread, stops }: Gradient, { x, y }: Point): Tint {
  const raw = kind === 'linear' ? x : Math.hypot(x, y);
  const folded = Math.abs(((raw % 2) + 2) % 2);
  const t =
    spread === 'pad' ? Math.min(1, Math.max(0, raw)) : spread === 'repeat' ? raw - Math.floor(raw) : folded > 1 ? 2 - folded : folded;
  const after = stops.findIndex(({ at }) => at >= t);
  const last = stops[after < 0 ? stops.length - 1 : after] as Gradient['stops'][number];
  const first = stops[Math.max(0, (after < 0 ? stops.length : after) - 1)] as Gradient['stops'][number];
  const share = last.at > first.at ? Math.min(1, Math.max(0, (t - first.at) / (last.at - first.at))) : 1;
  const [one, other] = [tintOf(first.color, first.opacity), tintOf(last.color, last.opacity)];
  const mixed = (key: keyof Tint) => one[key] + (other[key] - one[key]) * share;
  return { red: mixed('red'), green: mixed('green'), blue: mixed('blue'), opacity: mixed('opacity') };
}

function colorsOf(node: Exclude<DrawingNode, Group>, map: Affine, pixelsOf: PixelsOf): Leaf['colorAt'] {
  if (node.kind === 'picture') {
    const back = invert(compose(map, node.map));
    const pixels = pixelsOf(node.sha256);
    if (!back || !pixels) return () => 'unknown';
    return (point) => {
      const { x, y } = apply(back, point);
      const [column, row] = [Math.floor(x * pixels.columns), Math.floor(y * pixels.rows)];
      if (column < 0 || row < 0 || column >= pixels.columns || row >= pixels.rows) return undefined;
      const [red = 0, green = 0, blue = 0, alpha = 0] = pixels.rgba.subarray(4 * (row * pixels.columns + column)).subarray(0, 4);
      return { red: red / 255, green: green / 255, blue: blue / 255, opacity: alpha / 255 };
    };
  }
  const { gradient } = node;
  const back = gradient && invert(compose(map, gradient.map));
  if (!gradient || !back) return () => tintOf(node.color);
  return (point) => passing(gradient, apply(back, point));
}

/** All that groups paint, back to front, flat: with the areas that cut it off. Blends count as plain paint. */
export function leavesOf(groups: readonly Group[], pixelsOf: PixelsOf): readonly Leaf[] {
  const found: Leaf[] = [];
  walkNodes<DrawingNode>(
    groups,
    (node, { map, around }) => {
      const leaf = node as Exclude<DrawingNode, Group>;
      const groupsAround = around as readonly { readonly group: Group; readonly map: Affine }[];
      found.push({
        group: groupsAround[0]?.group.id ?? '',
        area: new Area(mapPath(leaf.path, map), leaf.rule),
        clips: groupsAround.flatMap(({ group: { clip }, map: own }) => (clip ? [new Area(mapPath(clip.path, own), clip.rule)] : [])),
        opacity: groupsAround.reduce((product, { group }) => product * group.opacity, leaf.opacity),
        colorAt: colorsOf(leaf, map, pixelsOf),
      });
    },
    { shown: true },
  );
  return found;
}

/** What is painted at a point, the topmost first, down to what hides all that is behind it. */
export function layersAt(leaves: readonly Leaf[], point: Point): readonly Layer[] {
  const found: Layer[] = [];
  for (let at = leaves.length - 1; at >= 0; at--) {
    const { group, area, clips, opacity, colorAt } = leaves[at] as Leaf;
    if (opacity === 0 || !area.holds(point) || clips.some((clip) => !clip.holds(point))) continue;
    const tint = colorAt(point);
    if (!tint) continue;
    found.push({ group, tint: tint === 'unknown' ? tint : { ...tint, opacity: tint.opacity * opacity } });
    if (tint === 'unknown' || tint.opacity * opacity > 0.999) break;
  }
  return found;
}

/**
 * The color that layers make together, on white.
 * @returns nothing where pixels that show are not at hand
 * @source W3C Compositing and Blending Level 1, 9.1.4: source over
 */
export function seenThrough(layers: readonly Layer[]): Hex | undefined {
  let [red, green, blue, left] = [0, 0, 0, 1];
  for (const { tint } of [...layers, { tint: BARE }]) {
    if (left < 0.004) break;
    if (tint === 'unknown') return undefined;
    const share = left * tint.opacity;
    red += share * tint.red;
    green += share * tint.green;
    blue += share * tint.blue;
    left -= share;
  }
  const two = (value: number) =>
    Math.round(Math.min(1, value) * 255)
      .toString(16)
      .padStart(2, '0');
  return `#${two(red)}${two(green)}${two(blue)}`;
}

/** A letter and what lies behind it, at one place. */
export interface Read {
  /** The letter's own color. */
  readonly letter: Hex;
  readonly behind: readonly Layer[];
}

/** Places in a letter's box where it is looked what lies behind it, in shares of the box. */
const LOOKS = [0.15, 0.5, 0.85] as const;

/**
 * What lies behind the letters of a part: nine places of every letter's box.
 * @param part the id of a top-level part
 */
export function readsOf({ groups }: Drawing, part: string, pixelsOf: PixelsOf): readonly Read[] {
  const place = groups.findIndex(({ id }) => id === part);
  const own = groups[place];
  if (!own) return [];
  const under = leavesOf(groups.slice(0, place), pixelsOf);
  return leavesOf([own], pixelsOf).flatMap(({ area: { box }, colorAt }) => {
    if (!box) return [];
    return LOOKS.flatMap((across) =>
      LOOKS.flatMap((down): readonly Read[] => {
        const point = { x: box.left + (box.right - box.left) * across, y: box.top + (box.bottom - box.top) * down };
        const tint = colorAt(point);
        const letter = tint && tint !== 'unknown' ? seenThrough([{ group: part, tint: { ...tint, opacity: 1 } }]) : undefined;
        return letter ? [{ letter, behind: layersAt(under, point) }] : [];
      }),
    );
  });
}

/** Of so many places one may be worse than what is told: a speck behind a letter does not make it unread. */
const WORST_SHARE = 0.04;

/**
 * How far letters stand out from what lies behind them, where they are read worst.
 * @returns a ratio in [1, 21]; nothing where no letter is drawn or pixels that lie behind are not at hand
 * @source WCAG 2.2, "contrast ratio"
 */
export function contrastOf(reads: readonly Read[]): number | undefined {
  const ratios: number[] = [];
  const light = new Map<Hex, number>();
  const lightOf = (hex: Hex): number => {
    const known = light.get(hex) ?? luminance(hex);
    light.set(hex, known);
    return known;
  };
  for (const { letter, behind } of reads) {
    const ground = seenThrough(behind);
    if (!ground) return undefined;
    const [one, other] = [lightOf(letter), lightOf(ground)];
    ratios.push((Math.max(one, other) + 0.05) / (Math.min(one, other) + 0.05));
  }
  return ratios.sort((one, other) => one - other)[Math.floor(ratios.length * WORST_SHARE)];
}
