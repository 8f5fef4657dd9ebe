import { heightOf, widthOf, type Bounds } from '../geometry';

/** Where marks are met: the shape of the room they get, width and height in px, as such rooms usually are (common practice). */
export const FAMILY_PLACES = {
  wide: { label: 'wide', widthPx: 320, heightPx: 96, round: false },
  square: { label: 'square', widthPx: 160, heightPx: 160, round: false },
  tall: { label: 'tall', widthPx: 110, heightPx: 220, round: false },
  round: { label: 'round', widthPx: 110, heightPx: 110, round: true },
  tiny: { label: 'tiny', widthPx: 32, heightPx: 32, round: false },
} as const;
export type FamilyPlace = keyof typeof FAMILY_PLACES;
export const FAMILY_PLACE_NAMES = Object.keys(FAMILY_PLACES) as readonly FamilyPlace[];

/** The longer side of a mark where it fills a place, in px. */
export function longerIn(place: FamilyPlace, ink: Bounds): number {
  const { widthPx, heightPx, round } = FAMILY_PLACES[place];
  const [wide, high] = [widthOf(ink), heightOf(ink)];
  if (wide <= 0 || high <= 0) return 0;
  const scale = round ? widthPx / Math.hypot(wide, high) : Math.min(widthPx / wide, heightPx / high);
  return Math.max(wide, high) * scale;
}

/**
 * How well a mark suits a place, from 0 to 1: the share of the room that its box fills, less where it would be smaller than is safe.
 * @param isRound whether the mark itself is round, and so fills a round place to its edge
 */
export function fitIn(place: FamilyPlace, ink: Bounds, safePx: number, isRound: boolean): number {
  const { widthPx, heightPx, round } = FAMILY_PLACES[place];
  const [wide, high] = [widthOf(ink), heightOf(ink)];
  if (wide <= 0 || high <= 0) return 0;
  const fillsCircle = round && isRound;
  const longer = fillsCircle ? widthPx : longerIn(place, ink);
  const scale = longer / Math.max(wide, high);
  const room = widthPx * heightPx * (round && !fillsCircle ? Math.PI / 4 : 1);
  const fill = Math.min(1, (wide * high * scale * scale) / room);
  return Math.sqrt(fill) * Math.min(1, longer / safePx) ** 2;
}
