import { chance } from '../numeric/chance';
import type { PhotoSize } from './place';
import type { Veil } from './settings';

/** One repetition of a veil: its middle, in the picture's pixels. */
export interface VeilSpot {
  readonly x: number;
  readonly y: number;
  readonly row: number;
  readonly column: number;
}
export interface VeilLayout {
  readonly spots: readonly VeilSpot[];
  /** Width and height of one repetition. */
  readonly widthPx: number;
  readonly heightPx: number;
  /** From one repetition to the next along a row, and from row to row. */
  readonly acrossPx: number;
  readonly downPx: number;
}

/** No veil has more repetitions; sizes and gaps never bring so many. */
export const MOST_SPOTS = 2000;

/**
 * Where a veil's repetitions lie: even rows through the picture's middle, turned about it, so that the same settings cover the same share of every size.
 * @param ratio height by width of one repetition
 */
export function veilLayout(photo: PhotoSize, ratio: number, veil: Veil): VeilLayout {
  const shorter = Math.min(photo.widthPx, photo.heightPx);
  const widthPx = (veil.sizePercent / 100) * shorter;
  const heightPx = widthPx * ratio;
  const [acrossPx, downPx] = [widthPx * (1 + veil.acrossPercent / 100), heightPx + (widthPx * veil.downPercent) / 100];
  const angle = (veil.angleDeg * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const [midX, midY] = [photo.widthPx / 2, photo.heightPx / 2];
  // Far enough to reach every corner however it is turned.
  const reach = Math.hypot(photo.widthPx, photo.heightPx) / 2 + Math.hypot(widthPx, heightPx);
  const rows = Math.ceil(reach / downPx);
  const columns = Math.ceil(reach / acrossPx) + 1;
  const spots: VeilSpot[] = [];
  const half = { x: (widthPx * Math.abs(cos) + heightPx * Math.abs(sin)) / 2, y: (widthPx * Math.abs(sin) + heightPx * Math.abs(cos)) / 2 };
  for (let row = -rows; row <= rows; row++) {
    const shift = (Math.abs(row) % 2) * (veil.offsetPercent / 100) * acrossPx;
    for (let column = -columns; column <= columns; column++) {
      const stray = (what: number, room: number) => (veil.jitterPercent / 200) * room * chance(71, row * 4099 + column, what);
      const u = column * acrossPx + shift + stray(1, acrossPx - widthPx);
      const v = row * downPx + stray(2, downPx - heightPx);
      const [x, y] = [midX + u * cos - v * sin, midY + u * sin + v * cos];
      const cut = x - half.x < 0 || y - half.y < 0 || x + half.x > photo.widthPx || y + half.y > photo.heightPx;
      const out = x + half.x < 0 || y + half.y < 0 || x - half.x > photo.widthPx || y - half.y > photo.heightPx;
      if (out || (veil.whole && cut)) continue;
      spots.push({ x, y, row, column });
      if (spots.length >= MOST_SPOTS) return { spots, widthPx, heightPx, acrossPx, downPx };
    }
  }
  return { spots, widthPx, heightPx, acrossPx, downPx };
}
