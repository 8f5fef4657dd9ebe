import { apply, mapFreePoint, type Affine } from '../../geometry';
import type { LetteringFacts, PartPicture, Sibling } from '../part-kind';

/** Size and circle of a lettering as they are seen under a map. */
export function letteringSeen({ sizePx, circle }: LetteringFacts, map: Affine): NonNullable<Sibling['lettering']> {
  const scale = Math.sqrt(Math.abs(map.a * map.d - map.b * map.c));
  return {
    sizePx: sizePx * scale,
    ...(circle ? { circle: { center: apply(map, circle.center), radiusPx: circle.radiusPx * scale, sweepDeg: circle.sweepDeg } } : {}),
  };
}

/** A curve as a text sees it: where it begins, and its points from there as they lie in the text's own pixels. */
export function baselineSeen({ baseline: points = [], roomPx }: PartPicture, place: Affine, own: Affine): Sibling['baseline'] {
  const [first] = points;
  if (!first) return undefined;
  const from = apply(own, first);
  return {
    origin: apply(place, first),
    points: points.map((point) => {
      const seen = mapFreePoint(point, own);
      return { ...seen, x: seen.x - from.x, y: seen.y - from.y };
    }),
    ...(roomPx === undefined ? {} : { roomPx: roomPx * Math.sqrt(Math.abs(own.a * own.d - own.b * own.c)) }),
  };
}
