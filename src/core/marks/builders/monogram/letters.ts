import type { Region } from '../../../geometry';
import type { FontChoice } from '../../../type';
import { placedArea, type Kit, type LetterOutline } from '../../building/kit';
import type { Paint } from '../../drawing/paint';

/** One letter of a monogram where it stands: its origin on its baseline, in units of the capitals' height of the first. */
export interface Standing {
  readonly slot: string;
  readonly text: string;
  readonly font: FontChoice;
  readonly outline: LetterOutline;
  /** Height of its capitals. */
  readonly size: number;
  readonly x: number;
  readonly y: number;
  readonly paint: Paint;
  /** Mirrored left to right, about its own origin. */
  readonly flip?: boolean;
}

/** The letter's ink where it stands, in heights of capitals. */
export const inkOfLetter = ({ outline, size, x, y, flip }: Standing): Region => {
  const placed = placedArea(outline.area, size / outline.capHeight, 0, 0);
  const mirrored = flip
    ? { ...placed, path: { ...placed.path, coords: placed.path.coords.map((value, index) => (index % 2 === 0 ? -value : value)) } }
    : placed;
  return placedArea(mirrored, 1, x, y);
};

/** Draws a letter, moved and enlarged from heights of capitals to pixels. */
export function drawLetter(
  kit: Kit,
  letter: Standing,
  perCap: number,
  center: { readonly x: number; readonly y: number },
  more: object = {},
): void {
  kit.add({
    ...{
      kind: 'lettering',
      id: letter.slot,
      name: `Letter ${letter.text}`,
      text: letter.text,
      font: letter.font,
      align: 'start',
      paint: letter.paint,
    },
    sizePx: Math.min(10_000, Math.max(1, (perCap * letter.size) / letter.outline.capHeight)),
    place: { x: (letter.x - center.x) * perCap, y: (letter.y - center.y) * perCap, turnDeg: 0, ...(letter.flip ? { flip: true } : {}) },
    ...more,
  });
}
