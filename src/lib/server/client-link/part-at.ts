import { heightOf, widthOf, type Bounds, type DressedMark } from '$core/index';

interface Place {
  readonly x: number;
  readonly y: number;
}

/**
 * The part of a mark that somebody pointed at: the smallest whose ink box holds the place, since what stands on something is meant before
 * what it stands on.
 * @param place shares of the square that the whole picture stands in the middle of
 */
export function partAt({ ink, parts }: Pick<DressedMark, 'ink' | 'parts'>, place: Place): string | undefined {
  if (!ink) return undefined;
  const side = Math.max(widthOf(ink), heightOf(ink));
  const x = (ink.left + ink.right) / 2 + (place.x - 0.5) * side;
  const y = (ink.top + ink.bottom) / 2 + (place.y - 0.5) * side;
  const holds = (box: Bounds) => x >= box.left && x <= box.right && y >= box.top && y <= box.bottom;
  const under = parts.flatMap(({ id, ink: box }) => (box && holds(box) ? [{ id, area: widthOf(box) * heightOf(box) }] : []));
  return under.sort((a, b) => a.area - b.area)[0]?.id;
}
