import {
  apply,
  compose,
  equalInkGaps,
  flatten,
  IDENTITY,
  invert,
  mapPath,
  restsOf,
  type Point,
  type Polygon,
  type Region,
  type Rest,
  type Shift,
} from '../geometry';
import type { DrawingNode } from './drawing';
import type { ResolvedMark, ResolvedPart } from './resolve';
import type { KnownPart } from './registry';

/** Outlines are flattened this finely where points of them touch a line, in mark pixels. */
const FINE_PX = 0.02;

/** All outlines of a part as they stand in the mark, found in the drawing by its id, members of others included. */
export function regionsOfPart(mark: ResolvedMark, id: string): readonly Region[] {
  const inside = (nodes: readonly DrawingNode[], map = IDENTITY): readonly Region[] =>
    nodes.flatMap((node) =>
      node.kind === 'group' ? inside(node.children, compose(map, node.transform)) : [{ path: mapPath(node.path, map), rule: node.rule }],
    );
  const find = (nodes: readonly DrawingNode[], map = IDENTITY): readonly Region[] | undefined => {
    for (const node of nodes) {
      if (node.kind !== 'group') continue;
      const own = compose(map, node.transform);
      if (node.id === id) return inside(node.children, own);
      const deeper = find(node.children, own);
      if (deeper) return deeper;
    }
    return undefined;
  };
  return find(mark.drawing.groups) ?? [];
}

const polygonsOf = (mark: ResolvedMark, id: string): readonly Polygon[] =>
  regionsOfPart(mark, id).flatMap(({ path }) => flatten(path, FINE_PX));

/** The ways in which a part rests on a level line. */
export function restsOfPart(mark: ResolvedMark, id: string): readonly Rest[] {
  const points = polygonsOf(mark, id).flat();
  const balance = mark.parts.find((part) => part.id === id)?.balance;
  return balance ? restsOf(points, balance) : [];
}

/** How far parts go so that the white between their ink is equal. */
export const inkGapShifts = (mark: ResolvedMark, ids: readonly string[], axis: 'x' | 'y'): readonly Shift[] =>
  equalInkGaps(
    mark.parts.flatMap((part) =>
      ids.includes(part.id) && part.ink && part.balance
        ? [{ id: part.id, ink: part.ink, balance: part.balance, polygons: polygonsOf(mark, part.id) }]
        : [],
    ),
    axis,
  );

/** A way in the mark's plane as a part's place counts it, which may lie in a turned or flipped plane of another part. */
export function inOwnPlane({ outer }: Pick<ResolvedPart, 'outer'>, by: Point): Point {
  const back = invert({ ...outer, e: 0, f: 0 });
  return back ? apply(back, by) : by;
}

/** The part moved by a way in the mark's plane. */
export function shifted<P extends KnownPart>(part: P, resolved: Pick<ResolvedPart, 'outer'>, dx: number, dy: number): P {
  const by = inOwnPlane(resolved, { x: dx, y: dy });
  const tidy = (value: number) => Math.round(value * 1e6) / 1e6;
  return { ...part, place: { ...part.place, x: tidy(part.place.x + by.x), y: tidy(part.place.y + by.y) } };
}

/** The part turned about the middle of its ink, and moved so that this middle stays. */
export function turnedInPlace<P extends KnownPart>(part: P, resolved: ResolvedPart, turnDeg: number): P {
  if (!resolved.ink) return part;
  const outerFlips = resolved.outer.a * resolved.outer.d - resolved.outer.b * resolved.outer.c < 0;
  const back = invert(resolved.outer);
  const middle = { x: (resolved.ink.left + resolved.ink.right) / 2, y: (resolved.ink.top + resolved.ink.bottom) / 2 };
  const own = back ? apply(back, middle) : middle;
  const by = outerFlips ? -turnDeg : turnDeg;
  const [c, s] = [Math.cos((by * Math.PI) / 180), Math.sin((by * Math.PI) / 180)];
  const [dx, dy] = [part.place.x - own.x, part.place.y - own.y];
  const turned = part.place.turnDeg + by;
  return {
    ...part,
    place: { ...part.place, x: own.x + dx * c - dy * s, y: own.y + dx * s + dy * c, turnDeg: ((((turned + 180) % 360) + 360) % 360) - 180 },
  };
}

/** The part made larger about the middle of its ink. Letterings change their size, everything else its scale. */
export function scaledInPlace(part: KnownPart, resolved: ResolvedPart, by: number): KnownPart {
  if (!(by > 0) || !Number.isFinite(by)) return part;
  const back = invert(resolved.outer);
  const middle = resolved.ink && { x: (resolved.ink.left + resolved.ink.right) / 2, y: (resolved.ink.top + resolved.ink.bottom) / 2 };
  const own = middle && back ? apply(back, middle) : { x: part.place.x, y: part.place.y };
  const place = { ...part.place, x: own.x + (part.place.x - own.x) * by, y: own.y + (part.place.y - own.y) * by };
  if (part.kind === 'lettering') return { ...part, place, sizePx: Math.min(10_000, Math.max(1, part.sizePx * by)) };
  const scale = Math.min(1000, Math.max(0.001, (part.place.scale ?? 1) * by));
  return { ...part, place: { ...place, scale } } as KnownPart;
}
