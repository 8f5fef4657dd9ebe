import type { GlyphSheet } from './glyph-sheet';
import { mean, median, present } from './statistics';

const polygonArea = (polygon: readonly { readonly x: number; readonly y: number }[]): number =>
  polygon.reduce((sum, point, index) => {
    const next = polygon[(index + 1) % polygon.length] ?? point;
    return sum + (point.x * next.y - next.x * point.y) / 2;
  }, 0);
const polygonLength = (polygon: readonly { readonly x: number; readonly y: number }[]): number =>
  polygon.reduce((sum, point, index) => {
    const next = polygon[(index + 1) % polygon.length] ?? point;
    return sum + Math.hypot(next.x - point.x, next.y - point.y);
  }, 0);

/**
 * How much outline the capitals have for their size: the length of the outline ÷ the height of the letter, mean over A to Z.
 * A plain H has about 7; swashes, inlines and rough edges have more.
 */
export const outlineLength = (sheet: GlyphSheet): number | undefined =>
  mean(
    present([...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'].map((letter) => sheet.glyph(letter))).map(
      ({ polygons, box }) => polygons.reduce((sum, polygon) => sum + polygonLength(polygon), 0) / (box.top - box.bottom),
    ),
  );

/** Share of the letters' boxes that is ink, mean over n, o, H, O, e, a: the gray of the face. */
export const color = (sheet: GlyphSheet): number | undefined =>
  mean(
    present([...'noHOea'].map((letter) => sheet.glyph(letter))).map(
      ({ polygons, box }) =>
        Math.abs(polygons.reduce((sum, polygon) => sum + polygonArea(polygon), 0)) / ((box.right - box.left) * (box.top - box.bottom)),
    ),
  );

/** Segments in a letter's outline, median over the alphabet: drawn faces have some dozen, rough ones hundreds. */
export const segmentCount = (sheet: GlyphSheet): number | undefined =>
  median(present([...'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ'].map((letter) => sheet.glyph(letter)?.segments)));
