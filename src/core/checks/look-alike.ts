import { flatten, mapPath, type Path, type Point } from '../geometry';
import { walkNodes, type Drawing, type DrawingNode } from '../marks/drawing/drawing';

/** Rings and sectors of a fingerprint. */
const RINGS = 14;
const SECTORS = 64;
/** Places looked at along all outlines together. */
const PLACES = 3000;
/** A fingerprint reaches this many times the mean distance of the outlines from their middle. */
const REACH = 2.2;
/** How far an edge is smeared, in rings and in sectors: outlines of a line lie on either side of the edge that it goes around. */
const SMEAR_RINGS = 1.1;
const SMEAR_SECTORS = 1.6;

/** Where the edges of a drawing lie around its middle, whatever its size: one number a ring and sector, of length 1 together. */
export type Fingerprint = Float32Array;

/** Evenly spaced places along outlines. */
function placesAlong(outlines: readonly Path[]): readonly Point[] {
  const polygons = outlines.flatMap((path) => flatten(path, 0.2).filter((polygon) => polygon.length > 2));
  const length = polygons.reduce(
    (sum, polygon) => sum + polygon.reduce((own, a, at) => own + span(a, polygon[(at + 1) % polygon.length] ?? a), 0),
    0,
  );
  if (length === 0) return [];
  const step = length / PLACES;
  const places: Point[] = [];
  let until = step / 2;
  for (const polygon of polygons)
    polygon.forEach((a, at) => {
      const b = polygon[(at + 1) % polygon.length] ?? a;
      const own = span(a, b);
      let along = until;
      for (; along < own; along += step) places.push({ x: a.x + ((b.x - a.x) * along) / own, y: a.y + ((b.y - a.y) * along) / own });
      until = along - own;
    });
  return places;
}
const span = (a: Point, b: Point): number => Math.hypot(b.x - a.x, b.y - a.y);

/** One pass of a bell curve along one axis; sectors go around, rings end. */
function smeared(values: Float32Array, along: 'rings' | 'sectors', width: number): Float32Array {
  const reach = Math.ceil(3 * width);
  const weights = Array.from({ length: 2 * reach + 1 }, (_, at) => Math.exp(-((at - reach) ** 2) / (2 * width * width)));
  const out = new Float32Array(values.length);
  for (let ring = 0; ring < RINGS; ring++)
    for (let sector = 0; sector < SECTORS; sector++) {
      let sum = 0;
      weights.forEach((weight, at) => {
        const by = at - reach;
        const r = along === 'rings' ? ring + by : ring;
        if (r < 0 || r >= RINGS) return;
        const s = along === 'sectors' ? (sector + by + SECTORS * 8) % SECTORS : sector;
        sum += weight * (values[r * SECTORS + s] as number);
      });
      out[ring * SECTORS + sector] = sum;
    }
  return out;
}

/** The outlines of all that a drawing paints, where they stand. */
export function markOutlines({ groups }: Drawing): readonly Path[] {
  const outlines: Path[] = [];
  walkNodes<DrawingNode>(groups, (node, { map }) => {
    if (node.kind === 'fill') outlines.push(mapPath(node.path, map));
  });
  return outlines;
}

/**
 * The fingerprint of a drawing: the same for it larger, turned by whole sectors, in other colors; nearly the same outlined.
 * @param outlines of all that it paints, in one plane
 * @returns nothing where there is no outline
 * @source after S. Belongie, J. Malik, J. Puzicha, "Shape Matching and Object Recognition Using Shape Contexts", IEEE TPAMI 24(4), 2002: one context, seen from the middle
 */
export function fingerprintOf(outlines: readonly Path[]): Fingerprint | undefined {
  const places = placesAlong(outlines);
  if (places.length === 0) return undefined;
  const middle = {
    x: places.reduce((sum, { x }) => sum + x, 0) / places.length,
    y: places.reduce((sum, { y }) => sum + y, 0) / places.length,
  };
  const mean = Math.sqrt(places.reduce((sum, place) => sum + span(place, middle) ** 2, 0) / places.length);
  if (mean === 0) return undefined;
  const counts = new Float32Array(RINGS * SECTORS);
  for (const place of places) {
    const ring = Math.floor((span(place, middle) / (REACH * mean)) * RINGS);
    if (ring >= RINGS) continue;
    const turn = Math.atan2(place.y - middle.y, place.x - middle.x) / (2 * Math.PI);
    const sector = Math.floor((turn + 1) * SECTORS) % SECTORS;
    counts[ring * SECTORS + sector] = (counts[ring * SECTORS + sector] as number) + 1;
  }
  const soft = smeared(smeared(counts, 'rings', SMEAR_RINGS), 'sectors', SMEAR_SECTORS);
  // A long edge weighs no more than its root: one large circle around does not make all else alike.
  const rooted = soft.map(Math.sqrt);
  const long = Math.hypot(...rooted);
  return rooted.map((value) => value / long);
}

/** How alike two drawings are, turned and mirrored as suits them best: 1 for the same, about 0.8 for strangers. */
export function likeness(one: Fingerprint, other: Fingerprint): number {
  let best = 0;
  for (const mirrored of [false, true])
    for (let turn = 0; turn < SECTORS; turn++) {
      let sum = 0;
      for (let ring = 0; ring < RINGS; ring++)
        for (let sector = 0; sector < SECTORS; sector++) {
          const there = ((mirrored ? SECTORS - 1 - sector : sector) + turn) % SECTORS;
          sum += (one[ring * SECTORS + sector] as number) * (other[ring * SECTORS + there] as number);
        }
      best = Math.max(best, sum);
    }
  return best;
}

/** Drawings more alike than this are worth a look side by side. */
export const ALIKE = 0.97;

/** A mark of this studio that a brand's mark looks like, or that shows the same piece of art. */
export interface LookAlike {
  readonly mark: string;
  readonly other: { readonly brand: string; readonly brandSlug: string; readonly mark: string; readonly markSlug: string };
  /** How alike they are, from `ALIKE` to 1; nothing where they only share a piece. */
  readonly likeness?: number;
  /** The piece both show, and the part that shows it here. */
  readonly piece?: { readonly title: string; readonly part: string };
}
