import {
  boundsOf,
  compose,
  flatten,
  joinPaths,
  mapPath,
  PathPen,
  translation,
  unite,
  type Bounds,
  type Path,
  type PathAlgebra,
} from '../../geometry';
import { fontKern, ROW_PERMILLE, LOWEST_ROW_PERMILLE, sideProfile, type FontShelf, type SideProfile } from '../../type';
import { gapIsThere, lettersOf } from './anchors';
import { asCut } from './cut-letters';
import { linesOf, NOT_TYPED, setFlatLine, stackLines, type FlatLetter, type TextFaces } from './flat-text';
import type { Lettering } from './schema';

/** One gap between two letters, drawn flat: the white between their outlines as an area, and what moves them. */
export interface SeenGap {
  /** Typed index of the letter before it. */
  readonly index: number;
  readonly left: string;
  readonly right: string;
  /** Where its number stands, in 1/1000 em. */
  readonly x: number;
  readonly baseline: number;
  readonly area: Path;
  /** The area's size in 1/1000 em squared, ÷ 1000. */
  readonly size: number;
  /** What the font or optical kerning does, and what was done by hand; 1/1000 em. */
  readonly kernPermille: number;
  readonly handPermille: number;
}

/** A lettering set flat and unbent, with its gaps as areas; 1/1000 em, y down. */
export interface SpacingView {
  readonly letters: Path;
  readonly box: Bounds | undefined;
  readonly gaps: readonly SeenGap[];
}

/** White deeper than this from a letter's own edge belongs to the letter, not to the gap; 1/1000 em. */
const DEEPEST = 160;

/** Heights over which gaps are shown, as shares of the capitals' height. */
const FROM_SHARE = 0;
const TO_SHARE = 1;

const EMPTY: SpacingView = { letters: { verbs: '', coords: [] }, box: undefined, gaps: [] };

/** The gaps of a lettering as they are set, before fitting and bending. */
export function spacingOf(part: Lettering, shelf: FontShelf, paths: PathAlgebra): SpacingView {
  const face = shelf.find(part.font);
  if (!face.ok) return EMPTY;
  const lender = part.fallback ? shelf.find({ family: part.fallback, style: 'normal', axes: {} }) : undefined;
  const cutting = { paths, remember: <T>(_: string, make: () => T): T => make() };
  const faces: TextFaces = {
    face: face.value,
    fallback: lender?.ok ? lender.value : undefined,
    shelf,
    cut: (letter, index) => asCut(part, letter, index, cutting),
  };
  const start = { size: 1, trackingPermille: part.trackingPermille, axes: part.font.axes };
  const lines = stackLines(
    linesOf(part.text).map((line) => setFlatLine(part, line, start, faces).line),
    Math.max(part.leadingPermille, 300),
  );
  const { metrics } = face.value.at(part.font.axes);
  const capHeight = (metrics.capHeight * 1000) / metrics.unitsPerEm;
  const typed = lettersOf(part.text);
  const shown: Path[] = [];
  let box: Bounds | undefined;
  const gaps: SeenGap[] = [];
  for (const { letters, baseline } of lines) {
    letters.forEach((letter, at) => {
      const path = mapPath(letter.outline.path, letter.map);
      shown.push(path);
      box = unite(box, boundsOf(path));
      const next = letters[at + 1];
      if (!next || next.index === NOT_TYPED || letter.letter.text.trim() === '' || next.letter.text.trim() === '') return;
      const index = letter.index + letter.letter.count - 1;
      const hand = part.gaps.find((gap) => gap.index === index && gapIsThere(typed, gap))?.permille ?? 0;
      const { area, size } = areaBetween(letter, next, baseline, capHeight);
      const added = next.letter.added;
      gaps.push({
        index,
        left: typed[index] ?? '',
        right: typed[next.index] ?? '',
        x: (letter.right + next.left) / 2,
        baseline,
        area,
        size,
        kernPermille:
          part.kerning === 'optical' ? (added?.optical ?? 0) * 1000 : part.kerning === 'font' ? fontKern(letter.letter, next.letter) : 0,
        handPermille: hand,
      });
    });
  }
  return { letters: joinPaths(shown), box, gaps };
}

const profileOf = ({ outline, map, baseline }: FlatLetter): SideProfile =>
  sideProfile(flatten(mapPath(outline.path, compose(translation(0, -baseline), map)), 1), 0);

/** The white between two letters row by row; deep recesses are cut off. */
function areaBetween(
  left: FlatLetter,
  right: FlatLetter,
  baseline: number,
  capHeight: number,
): { readonly area: Path; readonly size: number } {
  const [a, b] = [profileOf(left), profileOf(right)];
  const edge = Math.max(...a.right);
  const start = Math.min(...b.left);
  const rows: { readonly y: number; readonly from: number; readonly to: number }[] = [];
  let size = 0;
  for (let height = capHeight * FROM_SHARE; height < capHeight * TO_SHARE; height += ROW_PERMILLE) {
    const row = Math.floor((height - LOWEST_ROW_PERMILLE) / ROW_PERMILLE);
    const from = Math.max(a.right[row] ?? -Infinity, edge - DEEPEST);
    const to = Math.min(b.left[row] ?? Infinity, start + DEEPEST);
    rows.push({ y: baseline - height, from, to: Math.max(from, to) });
    size += Math.max(0, to - from) * ROW_PERMILLE;
  }
  const pen = new PathPen();
  rows.forEach(({ y, from }, index) => (index === 0 ? pen.move(from, y) : pen.line(from, y)));
  for (const { y, to } of [...rows].reverse()) pen.line(to, y);
  return { area: rows.length > 1 ? pen.close().path() : pen.path(), size: size / 1000 };
}
