import {
  apply,
  compose,
  equalInkGaps,
  flatten,
  IDENTITY,
  invert,
  restsOf,
  rotation,
  scaling,
  translation,
  type Affine,
  type Bounds,
  type Point,
  type Polygon,
  type Region,
  type Rest,
  type Shift,
} from '../../geometry';
import { formKind, type FormName } from '../../shapes';
import { outlinesIn, type DrawingNode } from '../drawing/drawing';
import { SIZE_LIMITS } from '../lettering/schema';
import { placeAt, placing, type Place } from '../part-base';
import type { ResolvedMark, ResolvedPart } from '../drawing/resolve';
import type { KnownPart } from '../registry';
import { LEVEL, NOUGHT, ROUNDING } from '../../numeric/tolerances';

/** Outlines are flattened this finely where points of them touch a line, in mark pixels. */
const FINE_PX = 0.02;

/** All outlines of a part as they stand in the mark, found in the drawing by its id, members of others included. */
export function regionsOfPart(mark: ResolvedMark, id: string): readonly Region[] {
  const find = (nodes: readonly DrawingNode[], map = IDENTITY): readonly Region[] | undefined => {
    for (const node of nodes) {
      if (node.kind !== 'group') continue;
      const own = compose(map, node.transform);
      if (node.id === id) return outlinesIn(node.children, own);
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

const middleOf = ({ left, right, top, bottom }: Bounds): Point => ({ x: (left + right) / 2, y: (top + bottom) / 2 });
/** A map about a point instead of about the origin. */
export const about = ({ x, y }: Point, map: Affine): Affine => compose(translation(x, y), compose(map, translation(-x, -y)));

/** Letterings whose picture grows in all with their size, and nothing else of theirs is counted in pixels. */
const growsWithSize = (part: KnownPart): part is Extract<KnownPart, { kind: 'lettering' }> =>
  part.kind === 'lettering' && part.line.shape === 'straight' && !part.fit && !part.companion;

/**
 * The part whose picture is the old one under a map of the mark's plane: moved, turned, scaled or mirrored, whatever draws the part and
 * whatever it stands by. Plain letterings change their size, everything else its scale.
 * @param map without shear and with one scale; the part as it is where the map or the part's plane cannot be turned round
 */
export function underMap(part: KnownPart, { outer, transform }: Pick<ResolvedPart, 'outer' | 'transform'>, map: Affine): KnownPart {
  const inward = invert(outer);
  const unplaced = invert(placing(part.place));
  if (!inward || !unplaced) return part;
  // Where its place is counted from: the plane of what draws it, and there the origin that it stands by.
  const own = compose(inward, transform);
  const from = invert(compose(own, unplaced));
  if (!from) return part;
  const placed = placeAt(compose(from, compose(compose(inward, compose(map, outer)), own)));
  const before = part.place.scale ?? 1;
  const by = (placed.scale ?? 1) / before;
  if (growsWithSize(part)) {
    const sizePx = Math.min(SIZE_LIMITS.max, Math.max(SIZE_LIMITS.min, part.sizePx * by));
    // What was scaled keeps its scale; the size says the rest.
    return { ...part, sizePx, place: tidied({ ...placed, scale: part.place.scale }) };
  }
  return { ...part, place: tidied({ ...placed, scale: Math.min(1000, Math.max(0.001, placed.scale ?? 1)) }) } as KnownPart;
}

/** A scale of one, and turns of nothing, are not written down. */
function tidied({ scale, turnDeg, ...place }: Place): Place {
  const turn = Math.abs(turnDeg) < NOUGHT ? 0 : turnDeg;
  return { ...place, turnDeg: turn, ...(scale === undefined || Math.abs(scale - 1) < ROUNDING ? {} : { scale }) };
}

/** The part turned about the middle of its ink. */
export const turnedInPlace = (part: KnownPart, resolved: ResolvedPart, turnDeg: number): KnownPart =>
  resolved.ink ? underMap(part, resolved, about(middleOf(resolved.ink), rotation(turnDeg))) : part;

/** The part made larger about the middle of its ink. */
export const scaledInPlace = (part: KnownPart, resolved: ResolvedPart, by: number): KnownPart =>
  resolved.ink && by > 0 && Number.isFinite(by) ? underMap(part, resolved, about(middleOf(resolved.ink), scaling(by))) : part;

/** Whether a part has a width and a height of its own that lie level or upright in the mark, so that each can be pulled by itself. */
export function hasFreeSides(part: KnownPart, { transform: { a, b } }: Pick<ResolvedPart, 'transform'>): boolean {
  const sides = part.kind === 'shape' && 'widthPx' in part.form && 'heightPx' in part.form;
  return sides && Math.min(Math.abs(a), Math.abs(b)) <= LEVEL * Math.hypot(a, b);
}

/** The part pulled wider and taller about a point of the mark, each side by itself where it has sides of its own; else in proportion by the larger. */
export function pulledInPlace(part: KnownPart, resolved: ResolvedPart, at: Point, byX: number, byY: number): KnownPart {
  if (part.kind !== 'shape' || byX === byY || !hasFreeSides(part, resolved))
    return underMap(part, resolved, about(at, scaling(Math.max(byX, byY))));
  const upright = Math.abs(resolved.transform.a) < Math.abs(resolved.transform.b);
  const form = part.form as unknown as { readonly form: FormName; readonly widthPx: number; readonly heightPx: number };
  const { fields } = formKind(form.form);
  const within = (name: 'widthPx' | 'heightPx', by: number): number => {
    const limits = fields[name];
    return Math.min(limits?.max ?? Infinity, Math.max(limits?.min ?? 0, Math.round(form[name] * by * 100) / 100));
  };
  const next = { ...form, widthPx: within('widthPx', upright ? byY : byX), heightPx: within('heightPx', upright ? byX : byY) };
  // Its center goes where the pull takes it; everything else grows about that.
  const center = apply(resolved.transform, { x: 0, y: 0 });
  const [dx, dy] = [(center.x - at.x) * (byX - 1), (center.y - at.y) * (byY - 1)];
  return underMap({ ...part, form: next as unknown as typeof part.form }, resolved, translation(dx, dy));
}
