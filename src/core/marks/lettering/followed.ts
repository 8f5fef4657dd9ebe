import type { Problem } from '../../result/result';
import { curveBaseline } from '../../type';
import type { DrawContext } from '../part-kind';
import { baselineRadiusPx, type Circle, type FollowedCurve } from './line-placing';
import type { Lettering } from './schema';

/** The width (and height) that a lettering is fitted to, in pixels of its own plane; `advance` counts the text's own length rather than its ink. */
export type Target = { readonly width: number; readonly height?: number; readonly advance?: boolean } | { readonly notice: Problem };

/** The width a lettering is fitted to, in mark pixels. */
export function targetOf(
  part: Lettering,
  sizePx: number,
  context: DrawContext,
  capHeight: number,
  circle: Circle | undefined,
): Target | undefined {
  const to = part.fit?.to;
  if (!to) return undefined;
  if (to.kind === 'width') return { width: to.widthPx };
  if (to.kind === 'angle' || to.kind === 'same-angle') {
    if (part.line.shape !== 'arc')
      return {
        notice: {
          code: 'fit-without-circle',
          message: 'Only a text on a circle can be fitted to an angle.',
          fix: 'Choose an arch or a ring.',
        },
      };
    const sweepDeg = to.kind === 'angle' ? to.sweepDeg : context.sibling(to.part)?.lettering?.circle?.sweepDeg;
    if (sweepDeg === undefined)
      return {
        notice: {
          code: 'angle-gone',
          message: 'The part whose angle this text takes is gone, or stands on no circle.',
          fix: 'Choose another text on a circle, or an angle.',
        },
      };
    const height = ((part.line.spacingAtPercent / 100) * capHeight * sizePx) / 1000;
    const radius = baselineRadiusPx(part.line, circle, (capHeight * sizePx) / 1000) + (part.line.side === 'over' ? height : -height);
    return { width: (Math.max(sweepDeg, 1) * Math.PI * Math.max(radius, 0.1)) / 180, advance: true };
  }
  const { ink, baseline } = context.sibling(to.part) ?? {};
  // On the words' line of a banner, the room is along that line, however it is bent.
  if (to.kind === 'panel' && baseline?.roomPx !== undefined && part.line.shape === 'curve' && part.line.along?.part === to.part) {
    const along = curveBaseline(baseline.points);
    const length = along.ok ? along.value.length : 0;
    return { width: Math.max(1, length - 2 * to.airPx), height: Math.max(1, baseline.roomPx - 2 * to.airPx), advance: true };
  }
  if (!ink)
    return {
      notice: { code: 'fit-gone', message: 'The part this line is fitted to is gone.', fix: 'Fit it to another part, or to a width.' },
    };
  const air = to.kind === 'panel' ? 2 * to.airPx : 0;
  const width = Math.max(1, ink.right - ink.left - air);
  return to.kind === 'panel' ? { width, height: Math.max(1, ink.bottom - ink.top - air) } : { width };
}

/** The circle of the part that a ring text follows. */
export function followedCircle(part: Lettering, context: DrawContext): { readonly circle?: Circle; readonly notices: readonly Problem[] } {
  if (part.line.shape !== 'arc' || !part.line.around) return { notices: [] };
  const sibling = context.sibling(part.line.around.part);
  const facts = sibling?.lettering?.circle;
  const ink = sibling?.ink;
  if (!ink)
    return {
      notices: [
        { code: 'ring-gone', message: 'The part whose circle this text follows is gone.', fix: 'Choose another part, or a radius.' },
      ],
    };
  // A text on a circle has a center of its own; the box of its ink lies anywhere.
  if (facts) return { circle: { center: facts.center, radiusPx: facts.radiusPx }, notices: [] };
  const center = { x: (ink.left + ink.right) / 2, y: (ink.top + ink.bottom) / 2 };
  return { circle: { center, radiusPx: Math.min(ink.right - ink.left, ink.bottom - ink.top) / 2 }, notices: [] };
}

/** The free curve that a text stands on. */
export function followedCurve(
  part: Lettering,
  context: DrawContext,
): { readonly curve?: FollowedCurve; readonly notices: readonly Problem[] } {
  if (part.line.shape !== 'curve' || !part.line.along) return { notices: [] };
  const seen = context.sibling(part.line.along.part)?.baseline;
  if (!seen)
    return {
      notices: [
        {
          code: 'curve-gone',
          message: 'The curve that this text stands on is gone.',
          fix: 'Choose another one, or let it have a curve of its own.',
        },
      ],
    };
  return { curve: { ...seen, offPx: part.line.along.offPx, centered: part.line.along.centered ?? false }, notices: [] };
}

/** Where a second line stands: its size, and its origin under the first line's ink. */
export function companionOf(part: Lettering, context: DrawContext) {
  if (!part.companion) return undefined;
  const first = context.sibling(part.companion.part);
  if (!first?.ink || !first.lettering)
    return {
      notice: { code: 'first-line-gone', message: 'The first line that this one stays with is gone.', fix: 'Let it stand by itself.' },
    };
  const { sizePx } = first.lettering;
  return {
    sizePx: part.companion.sizePercent === null ? part.sizePx : Math.max(0.1, (sizePx * part.companion.sizePercent) / 100),
    center: (first.ink.left + first.ink.right) / 2,
    top: first.ink.bottom + (part.companion.gapPermille * sizePx) / 1000,
  };
}
