import { apply, boundsOf, invert, type Path } from '../../geometry';
import type { Gradient } from '../../marks';

/** One stop of a shading, its components in the shading's own space. */
export interface ShadingStop {
  readonly at: number;
  readonly components: readonly number[];
}

/** Colors that pass into one another as a PDF knows them. @source ISO 32000-1, 8.7.4.5.3 (axial) and 8.7.4.5.4 (radial) */
export interface Shading {
  readonly kind: 'linear' | 'radial';
  /** Linear ones run along x, radial ones are circles around 0 0; from here to there the stops lie. */
  readonly from: number;
  readonly to: number;
  /** In order from 0 to 1. */
  readonly stops: readonly ShadingStop[];
}

/** A gradient is unrolled so often at most; finer repeats are below what anybody sees. */
const MOST_TURNS = 256;

/** How far along its own axis a gradient is looked at through a path. */
function reach({ kind, map }: Gradient, path: Path): { readonly from: number; readonly to: number } {
  const back = invert(map);
  const box = boundsOf(path);
  if (!back || !box) return { from: 0, to: 1 };
  const corners = [
    { x: box.left, y: box.top },
    { x: box.right, y: box.top },
    { x: box.left, y: box.bottom },
    { x: box.right, y: box.bottom },
  ].map((corner) => apply(back, corner));
  if (kind === 'radial') return { from: 0, to: Math.max(1, ...corners.map(({ x, y }) => Math.hypot(x, y))) };
  return { from: Math.min(0, ...corners.map(({ x }) => x)), to: Math.max(1, ...corners.map(({ x }) => x)) };
}

/**
 * A gradient as a shading. PDF knows no spread but the plain one: others are unrolled as far as the path reaches.
 * @param components of a stop
 */
export function shadingOf(gradient: Gradient, path: Path, components: (stop: Gradient['stops'][number]) => readonly number[]): Shading {
  const { kind, spread } = gradient;
  const first = gradient.stops[0] as Gradient['stops'][number];
  const last = gradient.stops.at(-1) as Gradient['stops'][number];
  const own: ShadingStop[] = gradient.stops.map((stop) => ({ at: stop.at, components: components(stop) }));
  const whole = [
    ...(first.at > 0 ? [{ at: 0, components: components(first) }] : []),
    ...own,
    ...(last.at < 1 ? [{ at: 1, components: components(last) }] : []),
  ];
  if (spread === 'pad') return { kind, from: 0, to: 1, stops: whole };
  const far = reach(gradient, path);
  const [begin, end] = [Math.floor(far.from), Math.min(Math.ceil(far.to), Math.floor(far.from) + MOST_TURNS)];
  const stops: ShadingStop[] = [];
  for (let turn = begin; turn < end; turn++) {
    const turned = spread === 'reflect' && turn % 2 !== 0;
    const round = turned ? [...whole].reverse().map((stop) => ({ ...stop, at: 1 - stop.at })) : whole;
    for (const stop of round) stops.push({ ...stop, at: (turn + stop.at - begin) / (end - begin) });
  }
  return { kind, from: begin, to: end, stops };
}
