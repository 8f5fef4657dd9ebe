import { boundsOf, flatten, inkGap, type Bounds } from '../../../geometry';
import { interlocks, interlocksOfThree, stemOf, type WovenLetter } from '../../../interlock';
import type { Kit } from '../../building/kit';
import { inkOfLetter, type Standing } from './letters';

/** White between letters that stand side by side or above one another, in heights of capitals. */
type Letters = readonly Standing[];

const boxOf = (letter: Standing): Bounds => boundsOf(inkOfLetter(letter).path) ?? { left: 0, top: 0, right: 0, bottom: 0 };
const moved = (letter: Standing, dx: number, dy: number): Standing => ({ ...letter, x: letter.x + dx, y: letter.y + dy });
const polygons = (letter: Standing) => flatten(inkOfLetter(letter).path, 0.004);

/** Side by side: every letter as near to the one before it as its ink allows, never nearer by its box than half of the gap. */
export function beside(letters: Letters, gap: number): Letters {
  const placed: Standing[] = [];
  for (const letter of letters) {
    const before = placed.at(-1);
    if (!before) {
      placed.push(letter);
      continue;
    }
    const [a, b] = [boxOf(before), boxOf(letter)];
    const clear = moved(letter, a.right - b.left, 0);
    const white = inkGap(polygons(before), polygons(clear), 'x') ?? 0;
    placed.push(moved(clear, gap - Math.min(white, gap / 2 + 0.12), 0));
  }
  return placed;
}

/** One above the other, on one axis through where each balances. */
export function stacked(letters: Letters, gap: number): Letters {
  const placed: Standing[] = [];
  for (const letter of letters) {
    const before = placed.at(-1);
    const axis = (each: Standing) => each.x + (each.outline.balance.x * each.size) / each.outline.capHeight;
    const first = placed[0];
    const level = first ? moved(letter, axis(first) - axis(letter), 0) : letter;
    const top = before ? boxOf(before).bottom + gap - boxOf(level).top : 0;
    placed.push(before ? moved(level, 0, top) : level);
  }
  return placed;
}

/** Three letters, the middle one larger; all on one center line. */
export function largerMiddle(letters: Letters, gap: number, outer: number): Letters {
  const middle = Math.floor(letters.length / 2);
  const sized = letters.map((letter, index) => (index === middle ? letter : { ...letter, size: letter.size * outer }));
  const level = sized.map((letter) => moved(letter, 0, (letter.size - 1) / 2));
  return beside(level, gap);
}

/** Overlapped by a share of the narrower one. */
export function overlapped(letters: Letters, share: number): Letters {
  const placed: Standing[] = [];
  for (const [index, letter] of letters.entries()) {
    const before = placed.at(-1);
    if (!before) {
      placed.push(letter);
      continue;
    }
    const [a, b] = [boxOf(before), boxOf(letter)];
    const by = Math.min(a.right - a.left, b.right - b.left) * share;
    placed.push(moved(letter, a.right - b.left - by, 0.22 * (index % 2)));
  }
  return placed;
}

/** The second letter in the largest room of the first one's box that holds no ink. */
export function nested(letters: Letters, kit: Kit, air: number): Letters {
  const [outer, inner] = letters;
  if (!outer || !inner) return letters;
  const ink = inkOfLetter(outer);
  const box = boxOf(outer);
  const own = boxOf(inner);
  const shape = { width: own.right - own.left, height: own.bottom - own.top };
  // The largest upright room of the letter's proportion: the ground of the first letter on a fine grid, by growing from every place.
  const CELLS = 60;
  const cell = Math.max(box.right - box.left, box.bottom - box.top) / CELLS;
  const rows = flatten(ink.path, cell / 4);
  const filled = (x: number, y: number): boolean => {
    let odd = false;
    for (const polygon of rows)
      polygon.forEach((a, index) => {
        const b = polygon[(index + 1) % polygon.length] ?? a;
        if (a.y > y !== b.y > y && x < a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x)) odd = !odd;
      });
    return odd;
  };
  const columns = Math.ceil((box.right - box.left) / cell);
  const lines = Math.ceil((box.bottom - box.top) / cell);
  // Sums over all cells to the upper left: any box is asked for in four steps.
  const sums = new Int32Array((columns + 1) * (lines + 1));
  for (let y = 0; y < lines; y++)
    for (let x = 0; x < columns; x++)
      sums[(y + 1) * (columns + 1) + x + 1] =
        (sums[y * (columns + 1) + x + 1] as number) +
        (sums[(y + 1) * (columns + 1) + x] as number) -
        (sums[y * (columns + 1) + x] as number) +
        (filled(box.left + (x + 0.5) * cell, box.top + (y + 0.5) * cell) ? 1 : 0);
  const inkIn = (x: number, y: number, w: number, h: number) =>
    (sums[(y + h) * (columns + 1) + x + w] as number) -
    (sums[y * (columns + 1) + x + w] as number) -
    (sums[(y + h) * (columns + 1) + x] as number) +
    (sums[y * (columns + 1) + x] as number);
  let best = { width: 0, x: 0, y: 0, height: 0 };
  for (let y = 0; y < lines; y++)
    for (let x = 0; x < columns; x++)
      for (let w = Math.max(best.width + 1, 4); x + w <= columns; w++) {
        const h = Math.round((w * shape.height) / shape.width);
        if (y + h > lines || inkIn(x, y, w, h) > 0) break;
        best = { width: w, x, y, height: h };
      }
  if (best.width === 0) {
    kit.note(
      'no-room-inside',
      `The letter ${outer.text} has no room in it for another one.`,
      'Let another letter come first, or choose another construction.',
    );
    return beside(letters, 0.1);
  }
  const scale = ((best.width * cell) / shape.width) * (1 - air);
  const sized: Standing = { ...inner, size: inner.size * scale, x: 0, y: 0 };
  const now = boxOf(sized);
  const center = { x: box.left + (best.x + best.width / 2) * cell, y: box.top + (best.y + best.height / 2) * cell };
  return [outer, moved(sized, center.x - (now.left + now.right) / 2, center.y - (now.top + now.bottom) / 2)];
}

/** Back to back: the first mirrored about the upright line at its left edge. */
export function backToBack(letters: Letters, gap: number): Letters {
  const [first, second = first] = letters;
  if (!first || !second) return letters;
  const right = { ...second, slot: 'letter-2' };
  const left = { ...first, flip: true };
  const shift = gap / 2;
  const placedRight = moved(right, shift - boxOf(right).left, 0);
  return [moved(left, -shift - boxOf(left).right, 0), placedRight];
}

/** Upright strokes at the right edge of one letter and the left edge of another that can be one: how far from the edge each of them begins, and how wide it is. */
function stemAt(letter: Standing, side: 1 | -1): { readonly width: number; readonly edge: number } | undefined {
  const rows = polygons(letter);
  const box = boxOf(letter);
  const height = box.bottom - box.top;
  const widths: number[] = [];
  const edges: number[] = [];
  for (let step = 2; step <= 8; step++) {
    const y = box.top + (height * step) / 10;
    const xs = rows
      .flatMap((polygon) =>
        polygon.flatMap((a, index) => {
          const b = polygon[(index + 1) % polygon.length] ?? a;
          return a.y > y !== b.y > y ? [a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x)] : [];
        }),
      )
      .sort((one, other) => one - other);
    const [from, to] = side > 0 ? [xs.at(-2), xs.at(-1)] : [xs[0], xs[1]];
    if (from === undefined || to === undefined) return undefined;
    widths.push(to - from);
    edges.push(side > 0 ? to : from);
  }
  widths.sort((one, other) => one - other);
  edges.sort((one, other) => one - other);
  const width = widths[3] as number;
  const spread = (edges.at(-2) as number) - (edges[1] as number);
  return spread < 0.03 && width < 0.4 ? { width, edge: edges[3] as number } : undefined;
}

/** Two letters with one stem in common: the right one of the first is the left one of the second. Nothing where their stems do not agree. */
export function sharedStem(letters: Letters): Letters | undefined {
  const [first, second] = letters;
  if (!first || !second) return undefined;
  const [one, other] = [stemAt(first, 1), stemAt(second, -1)];
  if (!one || !other || Math.abs(one.width - other.width) > 0.1 * Math.max(one.width, other.width)) return undefined;
  return [first, moved(second, one.edge - one.width - other.edge, 0), ...letters.slice(2)];
}

/** One way in which letters interlock. */
export interface Way {
  readonly letters: Letters;
  /** White where one passes under another, in heights of capitals. */
  readonly gap: number;
  /** Below `GOOD_INTERLOCK` it is a poor one. */
  readonly score: number;
  readonly crossings: number;
}

const wovenOf = (letters: Letters): readonly WovenLetter[] =>
  letters.map(({ outline }) => ({ area: outline.area, capHeight: outline.capHeight }));
const keyOf = (letters: Letters): string => JSON.stringify(letters.map(({ text, font }) => [text, font]));

/** From this stem on, in heights of capitals, hardly any pair can be woven. @source the measured start for interlocking: none of those was clean */
const TOO_HEAVY = 0.25;
/** Whether strokes are too heavy to pass over and under one another; remembered. */
export const areTooHeavy = (letters: Letters, kit: Kit): boolean =>
  kit.context.remember(`stem ${keyOf(letters)}`, () => stemOf(wovenOf(letters))) >= TOO_HEAVY;

/** The ways in which two or three letters interlock, best first; what was searched for is remembered. */
export function waysOf(letters: Letters, kit: Kit): readonly Way[] {
  const [one, other, last] = wovenOf(letters);
  if (!one || !other) return [];
  const key = keyOf(letters);
  if (!last)
    return kit.context
      .remember(`interlocks ${key}`, () => interlocks([one, other]))
      .map((way) => ({
        ...way,
        letters: placed(letters, way.sizes, [
          { x: 0, y: 0 },
          { x: way.dx, y: way.dy },
        ]),
      }));
  return kit.context
    .remember(`interlocks of three ${key}`, () => interlocksOfThree([one, other, last]))
    .map((way) => ({ ...way, letters: placed(letters, way.sizes, way.places) }));
}

/** Letters at sizes and places of their own. */
const placed = (letters: Letters, sizes: readonly number[], places: readonly { readonly x: number; readonly y: number }[]): Letters =>
  letters.flatMap((letter, at) => {
    const [size, place] = [sizes[at], places[at]];
    return size !== undefined && place ? [{ ...letter, size, x: place.x, y: place.y }] : [];
  });
