import { apply, invert, type Affine, type CurvePoint, type Point } from '$core/index';
import type { StageView } from './stage-view.svelte';

/** What is pulled is kept to a tenth of its unit. */
export const tenth = (value: number): number => Math.round(value * 10) / 10;

/** The sign of a place that is pulled, as path data. */
export const diamond = ({ x, y }: Point): string => `M${x} ${y - 6}L${x + 6} ${y}L${x} ${y + 6}L${x - 6} ${y}Z`;

type Pointer = Pick<PointerEvent, 'clientX' | 'clientY'>;

/** Where a pointer is on the stage, in CSS pixels. */
export function onSurface(surface: Element | undefined, { clientX, clientY }: Pointer): Point {
  const frame = surface?.getBoundingClientRect();
  return { x: clientX - (frame?.left ?? 0), y: clientY - (frame?.top ?? 0) };
}

/**
 * Where a pointer is in the plane of a part.
 * @param plane from there to the mark's
 * @returns nothing where no way leads back: the part was squeezed to a line
 */
export function pointedIn(plane: Affine, view: StageView, surface: Element | undefined, pointer: Pointer): Point | undefined {
  const back = invert(plane);
  return back && apply(back, view.toMark(onSurface(surface, pointer)));
}

/** What of a curve's point is pulled: itself, or the handle before or behind it. */
export type PulledOf = 'point' | 'in' | 'out';

/**
 * A point of a curve after it, or one of its handles, was pulled to a place.
 * @param apart whether the handles may bend away from one another; else they stay on one line, each as long as it was
 */
export function pulledPoint(point: CurvePoint, what: PulledOf, to: Point, apart: boolean): CurvePoint {
  if (what === 'point') return { ...point, x: tenth(to.x), y: tenth(to.y) };
  const [x, y] = [tenth(to.x - point.x), tenth(to.y - point.y)];
  const pulled = Math.hypot(x, y);
  const other = what === 'in' ? Math.hypot(point.outX, point.outY) : Math.hypot(point.inX, point.inY);
  const alone = apart || pulled === 0 || other === 0;
  const [mx, my] = alone ? [] : [tenth((-x / pulled) * other), tenth((-y / pulled) * other)];
  if (what === 'in') return { ...point, inX: x, inY: y, outX: mx ?? point.outX, outY: my ?? point.outY };
  return { ...point, outX: x, outY: y, inX: mx ?? point.inX, inY: my ?? point.inY };
}
