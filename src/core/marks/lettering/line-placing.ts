import { notNought } from '../../numeric/tolerances';
import { compose, IDENTITY, translation, type Affine, type Bounds, type FreePoint, type Point, type Warp } from '../../geometry';
import type { Problem } from '../../result/result';
import { arcBaseline, bendAlong, curveBaseline, envelope, spacingAtHeight, type Baseline } from '../../type';
import type { FlatLetter, FlatText } from './flat-text';
import type { Lettering } from './schema';

/** A circle that a text follows, in mark pixels. */
export interface Circle {
  readonly center: Point;
  readonly radiusPx: number;
}

/** A drawn curve that a text stands on: its points counted from where it begins, and how far above it the letters stand. */
export interface FollowedCurve {
  readonly origin: Point;
  readonly points: readonly FreePoint[];
  readonly offPx: number;
  /** Whether that is counted to the middle of the capitals rather than to their feet. */
  readonly centered: boolean;
}

/** Where letters go from the flat text: all in 1/1000 em of the part's size. */
export interface LinePlacing {
  /** Whether letters bend with the line rather than keep their form. */
  readonly bends?: boolean;
  /** Where the flat plane goes for a letter that keeps its form. */
  readonly rigid?: (letter: FlatLetter) => Affine;
  /** Letters and lines that bend: where every point goes. Underlines always do. */
  readonly warp?: Warp;
  /** On a circle every place is like every other: how a letter is bent at the anchor, and a key that names this bend. Rotated to its place, it is bent there. */
  readonly bentAtAnchor?: { readonly warp: Warp; readonly key: string };
  readonly notices: readonly Problem[];
  /** Text length to an angle, in degrees per 1/1000 em, on circles. */
  readonly sweepDeg?: number;
}

const STRAIGHT: LinePlacing = { notices: [] };
/** The height that stays where it is, as a share of the capitals' height. */
export const ENVELOPE_FROM = { baseline: 0, middle: 0.5, top: 1 } as const;

/** Radius of the circle that the baseline follows, in mark pixels; the middle of the capitals stands on the circle that is followed. */
export const baselineRadiusPx = (
  line: Extract<Lettering['line'], { shape: 'arc' }>,
  followed: Circle | undefined,
  capHeightPx: number,
): number =>
  followed && line.around
    ? Math.max(0.1, followed.radiusPx - line.around.insetPx + (line.side === 'over' ? -capHeightPx / 2 : capHeightPx / 2))
    : line.radiusPx;

/** Advance of a text over its circle, in degrees; the radius is the one at which spacing is measured. */
const sweep = (advance: number, radius: number, height: number, side: 'over' | 'under'): number =>
  (advance / notNought(side === 'over' ? radius + height : radius - height)) * (180 / Math.PI);

/**
 * How the letters of a text stand on its line.
 * @param sizePx the part's size, which the flat text's 1/1000 em are of; @param capHeight in 1/1000 em; @param ink of the flat text
 */
export function placeOnLine(
  part: Lettering,
  text: FlatText,
  sizePx: number,
  capHeight: number,
  ink: Bounds | undefined,
  followed: Circle | undefined,
  curved?: FollowedCurve,
): LinePlacing {
  const { line } = part;
  if (line.shape === 'straight') return STRAIGHT;
  if (line.shape === 'envelope') {
    if (!ink) return STRAIGHT;
    return {
      bends: true,
      warp: envelope(line.form, line.amountPercent / 100, ENVELOPE_FROM[line.from], { left: ink.left, right: ink.right, capHeight }),
      notices: [],
    };
  }
  const perPx = 1000 / sizePx;
  const height = (line.spacingAtPercent / 100) * capHeight;
  const notices: Problem[] = [];
  const advance = Math.max(0, ...text.lines.map((each) => each.advance));
  if (line.shape === 'arc') {
    const radius = baselineRadiusPx(line, followed, (capHeight * sizePx) / 1000) * perPx;
    const sweepDeg = sweep(advance, radius, height, line.side);
    if (sweepDeg > 360)
      notices.push({
        code: 'arc-too-small',
        message: `This text needs ${Math.round(sweepDeg)}° of its circle, so that it runs into itself.`,
        fix: `Make the radius at least ${Math.ceil((advance / (2 * Math.PI) - (line.side === 'over' ? height : -height)) / perPx)} px, or the letters smaller.`,
      });
    // Inside a circle, letters that keep their area need radius² ≥ 2 · spacing radius · height.
    const tallest = Math.max(capHeight, -(ink?.top ?? 0));
    if (line.letters === 'bent' && line.side === 'under' && radius * radius < 2 * (radius - height) * tallest)
      notices.push({
        code: 'bend-too-tight',
        message: 'The letters are too tall to be bent inside this circle; their tops are squeezed at its center.',
        fix: 'Measure spacing at half of the capitals’ height, or make the radius larger.',
      });
    const circle = arcBaseline(radius, line.side, line.startDeg);
    // An arch keeps its crown at the part's origin; a ring its center.
    const moved = line.form === 'arch' ? shifted(circle, 0, line.side === 'over' ? radius : -radius) : circle;
    const crown = shifted(arcBaseline(radius, line.side, 0), 0, line.side === 'over' ? radius : -radius);
    const bent =
      line.letters === 'bent' ? { bentAtAnchor: { warp: bendAlong(crown, height, 0), key: `${line.side} ${radius} ${height}` } } : {};
    return { ...along(moved, line.letters, height, 0), ...bent, notices, sweepDeg };
  }
  const curve = curveBaseline((curved?.points ?? line.points).map((point) => scaledNode(point, perPx)));
  if (!curve.ok) return { notices: curve.problems };
  if (advance > curve.value.length)
    notices.push({
      code: 'curve-too-short',
      message: `This text is ${Math.round(advance / perPx)} px long and its curve ${Math.round(curve.value.length / perPx)} px; the rest runs straight on.`,
      fix: 'Draw the curve longer, or make the letters smaller.',
    });
  const start = (line.startPercent / 100) * curve.value.length;
  return {
    ...along(curve.value, line.letters, height, start, (curved?.offPx ?? 0) * perPx - (curved?.centered ? -middleOf(text, capHeight) : 0)),
    notices,
  };
}

/** The middle between the top of the first line's capitals and the foot of the last line, as they are fitted. */
const middleOf = ({ lines }: FlatText, capHeight: number): number =>
  ((lines[0]?.baseline ?? 0) - capHeight * (lines[0]?.size ?? 1) + (lines.at(-1)?.baseline ?? 0)) / 2;

const scaledNode = (node: { x: number; y: number; inX: number; inY: number; outX: number; outY: number }, by: number) => ({
  x: node.x * by,
  y: node.y * by,
  inX: node.inX * by,
  inY: node.inY * by,
  outX: node.outX * by,
  outY: node.outY * by,
});

const shifted = (baseline: Baseline, x: number, y: number): Baseline => ({
  length: baseline.length,
  at: (distance) => {
    const point = baseline.at(distance);
    return { ...point, x: point.x + x, y: point.y + y };
  },
});

/** Letters turned on a baseline keep their form; the middle of each advance stands on the line, or above it. */
function along(
  baseline: Baseline,
  letters: 'turned' | 'bent',
  height: number,
  anchor: number,
  above = 0,
): Pick<LinePlacing, 'rigid' | 'warp' | 'bends'> {
  const warp = bendAlong(baseline, height, anchor);
  const spacing = spacingAtHeight(baseline, height, anchor);
  return {
    warp: above === 0 ? warp : (x, y) => warp(x, y - above),
    bends: letters === 'bent',
    rigid: ({ left, right }) => {
      const middle = (left + right) / 2;
      const { x, y, cos, sin } = baseline.at(spacing.along(middle));
      return compose(
        { a: cos, b: sin, c: -sin, d: cos, e: x, f: y },
        middle === 0 && above === 0 ? IDENTITY : translation(-middle, -above),
      );
    },
  };
}
