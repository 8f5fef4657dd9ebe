import { formatHex, parse } from 'culori';
import type { Hex } from '../color/hex';
import { compose, heightOf, IDENTITY, widthOf, type Affine, type Bounds } from '../geometry';
import type { Gradient } from '../marks';
import { lengthOf, readTransform } from './outlines';
import type { SvgElement } from './read-tree';
import { FIRST_STYLE, styleOf, type readSheets } from './style';

/** How many gradients may lend each other what they lack. */
const DEEPEST = 8;
/** Stops that are looked at, and that are kept. */
const MOST_READ = 256;
const MOST_KEPT = 64;

type Stops = Gradient['stops'];
interface Elements {
  readonly byId: ReadonlyMap<string, SvgElement>;
  readonly rules: ReturnType<typeof readSheets>;
}

/** A number or percentage in [0, 1]; without one, `otherwise`. */
export const share = (text: string | undefined, otherwise = 1): number => {
  const value = Number.parseFloat(text ?? '');
  return Number.isFinite(value) ? Math.min(1, Math.max(0, /%\s*$/.test(text ?? '') ? value / 100 : value)) : otherwise;
};

/** The id that a reference within the drawing names. */
export const ownId = (reference: string | undefined): string | undefined =>
  /^\s*(?:url\(\s*["']?)?#([^"')\s]+)["']?\s*\)?/.exec(reference ?? '')?.[1];

/** The gradient and those it takes from, nearest first. */
function lenders(id: string | undefined, { byId }: Elements): readonly SvgElement[] {
  const found: SvgElement[] = [];
  for (let at = id; at !== undefined && found.length < DEEPEST;) {
    const element = byId.get(at);
    if (!element || !/^(linear|radial)Gradient$/.test(element.name) || found.includes(element)) break;
    found.push(element);
    at = ownId(element.attributes['href']);
  }
  return found;
}

function stopsOf(elements: readonly SvgElement[], { rules }: Elements): Stops {
  const owner = elements.find(({ children }) => children.some(({ name }) => name === 'stop'));
  let least = 0;
  const stops = (owner?.children ?? [])
    .filter(({ name }) => name === 'stop')
    .slice(0, MOST_READ)
    .map((stop) => {
      const style = styleOf(stop, FIRST_STYLE, rules);
      const color = parse(style['stop-color'] ?? '#000000');
      // Stops never go back: each lies at or after the one before.
      least = Math.max(least, share(stop.attributes['offset'], 0));
      return {
        at: least,
        color: ((color && formatHex(color)) ?? '#000000') as Hex,
        opacity: share(style['stop-opacity']) * (color?.alpha ?? 1),
      };
    });
  if (stops.length <= MOST_KEPT) return stops;
  return Array.from({ length: MOST_KEPT }, (_, n) => stops[Math.round((n * (stops.length - 1)) / (MOST_KEPT - 1))] as Stops[number]);
}

/** What a gradient paints with: one color where it has only one, or no room to pass. */
export type Tint = { readonly color: Hex; readonly opacity: number; readonly gradient?: Gradient };

/** The middle of colors, each counted alike; what stands for a gradient where only one color can be. */
function middleOf(stops: Stops): Tint {
  const read = stops.flatMap(({ color }) => {
    const rgb = parse(color);
    return rgb?.mode === 'rgb' ? [rgb] : [];
  });
  const mean = (channel: 'r' | 'g' | 'b') => read.reduce((sum, stop) => sum + stop[channel], 0) / Math.max(1, read.length);
  return {
    color: formatHex({ mode: 'rgb', r: mean('r'), g: mean('g'), b: mean('b') }) as Hex,
    opacity: stops.reduce((sum, { opacity }) => sum + opacity, 0) / stops.length,
  };
}

/**
 * Reads a gradient by its id, with what it takes from others by reference.
 * @param box of what is painted, in its own coordinates, which the gradient may be measured in
 * @param map from those coordinates to the drawing's
 * @returns nothing when there is no such gradient, or it has no stops
 * @source W3C SVG 2, 14.2: units, transforms, references, the order of stops; a gradient without extent shows its last color
 */
export function tintOf(id: string | undefined, elements: Elements, box: Bounds | undefined, map: Affine): Tint | undefined {
  const chain = lenders(id, elements);
  const [own] = chain;
  const stops = stopsOf(chain, elements);
  const last = stops.at(-1);
  if (!own || !last) return undefined;
  const attribute = (name: string) => chain.find((element) => element.attributes[name] !== undefined)?.attributes[name];
  const boxed = attribute('gradientUnits') !== 'userSpaceOnUse';
  const number = (name: string, otherwise: number) => {
    const text = attribute(name);
    if (text === undefined) return otherwise;
    return /%\s*$/.test(text) ? Number.parseFloat(text) / 100 : lengthOf(text, otherwise);
  };
  const moved = readTransform(attribute('gradientTransform')) ?? IDENTITY;
  const room: Affine | undefined = !boxed
    ? IDENTITY
    : box && widthOf(box) > 0 && heightOf(box) > 0
      ? { a: widthOf(box), b: 0, c: 0, d: heightOf(box), e: box.left, f: box.top }
      : undefined;
  const kind = own.name === 'radialGradient' ? 'radial' : 'linear';
  const plane = kind === 'radial' ? circle(number) : strip(number);
  if (stops.length === 1 || !plane) return { color: last.color, opacity: last.opacity };
  if (!room) return middleOf(stops);
  const whole = compose(map, compose(room, compose(moved, plane)));
  if (Object.values(whole).some((value) => !Number.isFinite(value))) return middleOf(stops);
  const method = attribute('spreadMethod');
  const spread = method === 'reflect' || method === 'repeat' ? method : 'pad';
  return { ...middleOf(stops), opacity: 1, gradient: { kind, map: whole, spread, stops } };
}

/** The line that colors pass along, as a plane; nothing when it has no length. */
function strip(number: (name: string, otherwise: number) => number): Affine | undefined {
  const [x1, y1, x2, y2] = [number('x1', 0), number('y1', 0), number('x2', 1), number('y2', 0)];
  const [dx, dy] = [x2 - x1, y2 - y1];
  return dx === 0 && dy === 0 ? undefined : { a: dx, b: dy, c: -dy, d: dx, e: x1, f: y1 };
}

/** The circle that colors pass out to; nothing when it has no radius. */
function circle(number: (name: string, otherwise: number) => number): Affine | undefined {
  const radius = number('r', 0.5);
  return radius > 0 ? { a: radius, b: 0, c: 0, d: radius, e: number('cx', 0.5), f: number('cy', 0.5) } : undefined;
}
