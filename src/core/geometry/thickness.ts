import type { Polygon } from './flatten';
import { insideOf } from './inside';
import type { Point } from './point';
import { segmentGrid, type SegmentGrid } from './segment-grid';
import { NOUGHT } from '../numeric/tolerances';

/** A point beside a side is asked for ink at this share of its length away from it. */
const BESIDE = 0.0001;
/** A disk shrinks by at least this share, or it is as small as it gets. */
const SHRINKS = 1e-7;

/** How thick a shape is at one place of its outline: the diameter of the largest disk inside that touches it there. */
export interface LocalThickness {
  /** The disk's center. */
  readonly at: Point;
  readonly thickness: number;
  /** Length of outline that this place stands for. */
  readonly length: number;
  /** Whether it lies in the end of a stroke or in a point: the outline runs from one touching side to the other on a short way. */
  readonly end: boolean;
}

/** Thicknesses over a whole shape, in its own unit. */
export interface Thickness {
  /** Thinnest first. */
  readonly places: readonly LocalThickness[];
  /** Half of the outline, by length, bounds strokes thinner than this. */
  readonly median: number;
  /** The place that 2 % of the outline, by length, falls below, ends and points left out where anything else is there: every point is thin at its tip. */
  readonly thinnest: LocalThickness;
}

/** Share of the outline that may be thinner than what counts as the thinnest place. */
const TIPS = 0.02;

/** The way along the outline from one touching side to the other that makes an end, in thicknesses: points of more than about 19° have a shorter one. */
const END = 6;

/** Most places measured on one shape. */
const MOST_PLACES = 1500;

/** Disks whose two touching sides face each other by less than this lie in a corner, not across a stroke: cos 120°. @source M. Foskey, M. Lin, D. Manocha, "Efficient computation of a simplified medial axis", 2003 (separation angle) */
const ACROSS = Math.cos((120 * Math.PI) / 180);

/** Sides that turn away by less than this go on with the same edge: cos 60°. */
const SAME_EDGE = Math.cos((60 * Math.PI) / 180);

/** Disks shrink to their size in a few steps; the rest is rounding. */
const MOST_SHRINKS = 24;

/** Sides within this share of a disk's radius touch it. */
const TOUCHES = 1.005;

/** +1 where ink lies to the left hand of a contour's direction turned by a quarter clockwise on screen (that is, along (−dy, dx)), −1 where it lies on the other side. */
function inkSide(polygon: Polygon, isInk: (x: number, y: number) => boolean): number {
  let best = 0;
  let longest = -1;
  polygon.forEach((a, index) => {
    const b = polygon[(index + 1) % polygon.length] ?? a;
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    if (length > longest) [longest, best] = [length, index];
  });
  const a = polygon[best] as Point;
  const b = polygon[(best + 1) % polygon.length] ?? a;
  if (longest <= 0) return 1;
  const off = longest * BESIDE;
  const [nx, ny] = [-(b.y - a.y) / longest, (b.x - a.x) / longest];
  return isInk((a.x + b.x) / 2 + nx * off, (a.y + b.y) / 2 + ny * off) ? 1 : -1;
}

/** How far a ray runs through ink before it meets a side. */
function rayLength(grid: SegmentGrid, x: number, y: number, nx: number, ny: number, reach: number): number {
  let nearest = Infinity;
  // In growing stretches, so that a short way through a stroke looks at a few cells only.
  for (let from = 0, to = reach / 64; from < reach; from = to, to = Math.min(reach, to * 2)) {
    const [ax, ay, bx, by] = [x + nx * from, y + ny * from, x + nx * to, y + ny * to];
    grid.near(Math.min(ax, bx), Math.min(ay, by), Math.max(ax, bx), Math.max(ay, by), (side) => {
      const x0 = grid.ends[4 * side] as number;
      const y0 = grid.ends[4 * side + 1] as number;
      const dx = (grid.ends[4 * side + 2] as number) - x0;
      const dy = (grid.ends[4 * side + 3] as number) - y0;
      const cross = nx * dy - ny * dx;
      if (cross === 0) return;
      const t = ((x0 - x) * dy - (y0 - y) * dx) / cross;
      const share = ((x0 - x) * ny - (y0 - y) * nx) / cross;
      if (share >= -NOUGHT && share <= 1 + NOUGHT && t > reach * NOUGHT && t < nearest) nearest = t;
    });
    if (nearest <= to) return nearest;
    if (to === reach) break;
  }
  return nearest;
}

/**
 * Local thickness over a shape by shrinking disks: at many places of the outline the largest disk that touches it there and stays inside.
 * @param polygons contours that do not cross, filled by the even–odd rule (a welded outline, flattened)
 * @param most about how many places are measured, evenly along the outline
 * @returns nothing for a shape without area
 * @source J. Ma, S. Bae, S. Choi, "3D medial axis point approximation using nearest neighbors and the normal field", The Visual Computer 28, 2012, in the plane; sides instead of points, so that the result is exact up to the flattening
 */
export function thicknessOf(polygons: readonly Polygon[], most = MOST_PLACES): Thickness | undefined {
  const solid = polygons.filter((polygon) => polygon.length > 2);
  const grid = segmentGrid(solid);
  if (grid.count === 0) return undefined;
  let perimeter = 0;
  for (let i = 0; i < grid.ends.length; i += 4)
    perimeter += Math.hypot(
      (grid.ends[i + 2] as number) - (grid.ends[i] as number),
      (grid.ends[i + 3] as number) - (grid.ends[i + 1] as number),
    );
  const step = perimeter / most;
  const normals = new Float64Array(grid.count * 2);
  /** Where along its contour a side begins, which contour that is, and how long the contour is. */
  const ways: { readonly contour: number; readonly from: number }[] = [];
  const rounds: number[] = [];
  const isInk = insideOf(solid);
  let side = 0;
  for (const polygon of solid) {
    let way = 0;
    const sign = inkSide(polygon, isInk);
    polygon.forEach((a, index) => {
      const b = polygon[(index + 1) % polygon.length] ?? a;
      const length = Math.hypot(b.x - a.x, b.y - a.y);
      if (length === 0) return;
      normals[2 * side] = (sign * -(b.y - a.y)) / length;
      normals[2 * side + 1] = (sign * (b.x - a.x)) / length;
      ways.push({ contour: rounds.length, from: way });
      way += length;
      side++;
    });
    rounds.push(way);
  }
  const places: LocalThickness[] = [];
  let skipped = 0;
  for (let own = 0; own < grid.count; own++) {
    const [x0 = 0, y0 = 0, x1 = 0, y1 = 0] = grid.ends.subarray(4 * own, 4 * own + 4);
    const length = Math.hypot(x1 - x0, y1 - y0);
    // Short sides of a fine curve take turns: one of them stands for as much outline as a step.
    skipped += length;
    if (skipped < step) continue;
    const pieces = Math.max(1, Math.round(length / step));
    const each = skipped / pieces;
    skipped = 0;
    for (let piece = 0; piece < pieces; piece++) {
      const share = (piece + 0.5) / pieces;
      const disk = largestDisk(grid, normals, own, x0 + share * (x1 - x0), y0 + share * (y1 - y0), perimeter);
      if (!disk) continue;
      const [here, there] = [ways[own], ways[disk.opposite]];
      const apart =
        here && there && here.contour === there.contour ? Math.abs(there.from + disk.along - here.from - share * length) : Infinity;
      const round = here ? (rounds[here.contour] as number) : 0;
      places.push({
        at: disk.at,
        thickness: disk.thickness,
        length: each,
        end: Math.min(apart, round - apart) < END * disk.thickness && apart < Infinity,
      });
    }
  }
  places.sort((one, other) => one.thickness - other.thickness);
  const strokes = places.filter(({ end }) => !end);
  const lengthOf = (of: readonly LocalThickness[]) => of.reduce((sum, { length }) => sum + length, 0);
  const at = (of: readonly LocalThickness[], share: number) => {
    const wanted = share * lengthOf(of);
    let sum = 0;
    for (const place of of) if ((sum += place.length) >= wanted) return place;
    return of.at(-1);
  };
  const thinnest = at(lengthOf(strokes) > TIPS * lengthOf(places) ? strokes : places, TIPS);
  const middle = at(places, 0.5);
  return thinnest && middle && { places, median: middle.thickness, thinnest };
}

function largestDisk(grid: SegmentGrid, normals: Float64Array, own: number, x: number, y: number, reach: number) {
  const nx = normals[2 * own] as number;
  const ny = normals[2 * own + 1] as number;
  const across = rayLength(grid, x, y, nx, ny, reach);
  if (!Number.isFinite(across)) return undefined;
  let radius = across / 2;
  const facing = (other: number) => nx * (normals[2 * other] as number) + ny * (normals[2 * other + 1] as number);
  /** Sides of another edge that come within a distance of a place, with their nearest points. */
  const within = (cx: number, cy: number, distance: number, visit: (side: number, px: number, py: number, away: number) => void) =>
    grid.near(cx - distance, cy - distance, cx + distance, cy + distance, (other) => {
      if (other === own || facing(other) > SAME_EDGE) return;
      const x0 = grid.ends[4 * other] as number;
      const y0 = grid.ends[4 * other + 1] as number;
      const dx = (grid.ends[4 * other + 2] as number) - x0;
      const dy = (grid.ends[4 * other + 3] as number) - y0;
      const t = Math.min(1, Math.max(0, ((cx - x0) * dx + (cy - y0) * dy) / (dx * dx + dy * dy)));
      const [px, py] = [x0 + t * dx, y0 + t * dy];
      const away = Math.hypot(px - cx, py - cy);
      if (away <= distance) visit(other, px, py, away);
    });
  for (let tries = 0; tries < MOST_SHRINKS; tries++) {
    let nearest = radius * (1 - SHRINKS);
    let met: Point | undefined;
    within(x + nx * radius, y + ny * radius, nearest, (_, px, py, away) => {
      if (away < nearest) [nearest, met] = [away, { x: px, y: py }];
    });
    if (!met) break;
    const deep = nx * (met.x - x) + ny * (met.y - y);
    if (deep <= 0) return undefined;
    radius = ((met.x - x) ** 2 + (met.y - y) ** 2) / (2 * deep);
  }
  const at = { x: x + nx * radius, y: y + ny * radius };
  // In a round shape the disk touches everywhere at once, up to the flattening; what lies opposite counts.
  let opposite = own;
  let along = 0;
  within(at.x, at.y, radius * TOUCHES, (other, px, py) => {
    if (facing(other) >= facing(opposite)) return;
    opposite = other;
    along = Math.hypot(px - (grid.ends[4 * other] as number), py - (grid.ends[4 * other + 1] as number));
  });
  return facing(opposite) <= ACROSS ? { at, thickness: 2 * radius, opposite, along } : undefined;
}
