import {
  contoursOf,
  drawnPieces,
  EMPTY_PATH,
  islandsOf,
  joinPaths,
  PathPen,
  weightOf,
  areApart,
  boundsOf,
  grow as growBox,
  fillRows,
  united,
  type Bounds,
  type PathAlgebra,
  type Region,
} from '../../geometry';
import type { State } from './decide';
import type { ItemBuffer } from './item-buffer';
import { distanceOf, type Leaf } from './units';

/** From this distance on, OKLab, neighbors are seen as two. */
const TOLD_APART = 0.04;
/** Hatching: from line to line and the thickness of a line, in gaps. */
const HATCH = { pitch: 3, thick: 1.2 } as const;
/** Islands smaller than so many square gaps are crumbs of the cutting. */
const CRUMB = 0.35;

const NOTHING: Region = { path: EMPTY_PATH, rule: 'nonzero' };
const isEmpty = ({ path }: Region): boolean => path.verbs === '';

/** Stripes from lower left to upper right over a box. */
function stripes(box: Bounds, gap: number): Region {
  const pen = new PathPen();
  const [pitch, thick] = [HATCH.pitch * gap * Math.SQRT2, HATCH.thick * gap * Math.SQRT2];
  const height = box.bottom - box.top;
  for (let x = box.left - height - (box.left % pitch); x < box.right + pitch; x += pitch)
    pen
      .move(x, box.bottom)
      .line(x + thick, box.bottom)
      .line(x + thick + height, box.top)
      .line(x + height, box.top)
      .close();
  return { path: pen.path(), rule: 'nonzero' };
}

const touches = (a: Bounds | undefined, b: Bounds | undefined, by: number): boolean => !areApart(a && growBox(a, by), b);

interface Piece {
  region: Region;
  readonly unit: number;
}

/** What the designer asked for beyond a state: a gap to all that lies behind, or an outline. */
export type Wish = 'gap' | 'outline';

export interface Built {
  /** One for each ink. */
  readonly areas: readonly Region[];
  readonly gaps: number;
  readonly operations: number;
}

/**
 * The one area that is painted: parts back to front, clear ones as holes, inked ones with a gap where they would run into others that are
 * seen as different, and an outline along borders that nothing else tells.
 * Where two inks meet, the one in front leaves out exactly what it covers of the other.
 * @param gap in mark pixels
 */
export function buildOneColor(
  leaves: readonly Leaf[],
  buffer: ItemBuffer,
  states: readonly State[],
  gap: number,
  inks: number,
  paths: PathAlgebra,
  wishes: ReadonlyMap<number, Wish> = new Map(),
): Built {
  let operations = 0;
  let gaps = 0;
  const combine: PathAlgebra['combine'] = (how, one, other) => {
    if (isEmpty(one) || isEmpty(other)) return how === 'intersect' ? NOTHING : how === 'subtract' || isEmpty(other) ? one : other;
    operations++;
    return paths.combine(how, one, other);
  };
  // A shape gives room to each of its neighbors, and is grown once for all of them.
  const grown = new Map<number, Map<Region, Region>>();
  const grow = (region: Region, by: number): Region => {
    const same = grown.get(by) ?? new Map<Region, Region>();
    grown.set(by, same);
    const known = same.get(region);
    if (known) return known;
    operations++;
    const made = paths.grow(region, by, 'round');
    same.set(region, made);
    return made;
  };
  /** Leaves of one unit that follow each other are one area. */
  const shapes: { readonly unit: number; readonly region: Region }[] = [];
  for (let at = 0; at < leaves.length;) {
    const unit = (leaves[at] as Leaf).unit;
    let end = at + 1;
    while (end < leaves.length && leaves[end]?.unit === unit) end++;
    const together = leaves.slice(at, end);
    if (together.length > 1) operations++;
    const [only] = together;
    shapes.push({ unit, region: together.length === 1 && only ? { path: only.path, rule: only.rule } : united(together, paths) });
    at = end;
  }
  const seen = buffer.units;
  const differ = (one: number, other: number): boolean =>
    one !== other && distanceOf(seen[one]?.seen ?? ZERO, seen[other]?.seen ?? ZERO) >= TOLD_APART;
  const inkOf = (unit: number): number => seen[unit]?.ink ?? 0;
  /** Borders of a unit, to whom, and how far apart. */
  const bordersOf = (unit: number) =>
    buffer.borders.flatMap(({ one, other, length, distance }) =>
      one === unit ? [{ with: other, length, distance }] : other === unit ? [{ with: one, length, distance }] : [],
    );
  const pieces: Piece[] = [];
  for (const { unit, region } of shapes) {
    const state = states[unit] ?? 'ink';
    const box = boundsOf(region.path);
    const near = pieces.filter((piece) => touches(boundsOf(piece.region.path), box, 2 * gap));
    if (state === 'ink') {
      const isOther = (piece: Piece) => inkOf(piece.unit) !== inkOf(unit);
      const cut = near.filter((piece) => wishes.get(unit) === 'gap' || (differ(piece.unit, unit) && !isOther(piece)));
      for (const piece of near) if (isOther(piece) && !cut.includes(piece)) piece.region = combine('subtract', piece.region, region);
      if (cut.length > 0) {
        const around = grow(region, gap);
        gaps++;
        // From the top down: what lies hidden under a piece that gives way must not show in the gap.
        let hidden: Region = NOTHING;
        for (const piece of [...near].reverse()) {
          if (cut.includes(piece)) {
            const before = piece.region;
            piece.region = combine('subtract', before, around);
            if (near.some((below) => !cut.includes(below))) hidden = combine('unite', hidden, combine('intersect', before, around));
          } else if (!isEmpty(hidden)) piece.region = combine('subtract', piece.region, hidden);
        }
      }
      pieces.push({ region, unit });
    } else if (state === 'counterchanged') {
      const behind = near.reduce<Region>((sum, piece) => combine('unite', sum, piece.region), NOTHING);
      const fresh = combine('subtract', region, behind);
      for (const piece of near) piece.region = combine('subtract', piece.region, region);
      pieces.push({ region: fresh, unit });
    } else {
      for (const piece of near) piece.region = combine('subtract', piece.region, region);
      if (state === 'hatched' && box) pieces.push({ region: combine('intersect', stripes(box, gap), region), unit });
    }
  }
  // Outlines, once everything stands: inside of clear parts, along borders to clear or ground that are seen in full color.
  for (const [index, { unit, region }] of shapes.entries()) {
    const state = states[unit] ?? 'ink';
    if (state === 'ink' || state === 'counterchanged') continue;
    const borders = bordersOf(unit);
    const told = (neighbor: number) => neighbor >= 0 && (states[neighbor] === 'ink' || states[neighbor] === 'counterchanged');
    const open = borders.filter(({ with: neighbor, distance }) => !told(neighbor) && distance >= TOLD_APART / 2);
    if (open.length === 0 && wishes.get(unit) !== 'outline') continue;
    operations++;
    gaps++;
    let line = combine('intersect', paths.band(region, 2 * gap, 'round'), region);
    const avoid = borders.filter(({ with: neighbor, distance }) => neighbor >= 0 && (told(neighbor) || distance < TOLD_APART / 2));
    for (const { with: neighbor } of avoid)
      for (const shape of shapes) if (shape.unit === neighbor) line = combine('subtract', line, grow(shape.region, gap));
    // Where the part ends unseen on the ground (paper on paper), only what it shares with others that are seen gets a line.
    const endsUnseen = borders.some(({ with: neighbor, distance }) => neighbor < 0 && distance < TOLD_APART / 2);
    if (endsUnseen && wishes.get(unit) !== 'outline') {
      const others = new Set(open.map(({ with: neighbor }) => neighbor));
      const beside = shapes.filter((shape) => others.has(shape.unit)).map((shape) => grow(shape.region, 2 * gap));
      line = combine('intersect', line, united(beside, paths));
    }
    // What stands in front covers the line as it covers the part.
    for (const front of shapes.slice(index + 1))
      if (front.unit !== unit && touches(boundsOf(front.region.path), boundsOf(line.path), 0))
        line = combine('subtract', line, front.region);
    pieces.push({ region: line, unit });
  }
  const wasDrawn = drawnPieces(shapes.map(({ region }) => region));
  const areas = Array.from({ length: inks }, (_, ink): Region => {
    const inked = pieces.filter((piece) => inkOf(piece.unit) === ink && !isEmpty(piece.region)).map((piece) => piece.region);
    if (inked.length === 0) return NOTHING;
    operations++;
    return swept(united(inked, paths), CRUMB * gap * gap, wasDrawn);
  });
  return { areas, gaps, operations };
}
const ZERO = { l: 0, a: 0, b: 0 };

/** Without islands that cutting has left and that are smaller than anybody sees. */
function swept(region: Region, least: number, wasDrawn: (island: Region) => boolean): Region {
  const contours = contoursOf(region.path);
  if (contours.length < 2) return region;
  const kept = islandsOf(region).filter(
    (island) => (weightOf([{ path: island.path, rule: island.rule }], 0.2)?.area ?? 0) >= least || wasDrawn(island),
  );
  const counted = kept.reduce((sum, { path }) => sum + contoursOf(path).length, 0);
  return counted === contours.length ? region : { path: joinPaths(kept.map(({ path }) => path)), rule: 'evenodd' };
}

/** Which cells of a buffer's grid areas ink: 0 where none does, else the number of the ink, counted from 1. */
export function inkedCells(areas: readonly Region[], { grid }: ItemBuffer): Uint8Array {
  const cells = new Uint8Array(grid.columns * grid.rows);
  for (const [index, area] of areas.entries())
    fillRows(area, grid, (row, from, to) => cells.fill(index + 1, row * grid.columns + from, row * grid.columns + to));
  return cells;
}
