import { fromRgb, type LinearColor } from './linear-color';

export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** What every solid has: its color, how far in front it stands, and what its surface is like. Lengths are in halves of the picture's side; 0, 0 is its middle, y points down. */
interface Surface {
  readonly color: LinearColor;
  /** How far its foot stands in front of the ground. */
  readonly lift: number;
  /** 0 is chalk, 1 is glaze. */
  readonly gloss?: number;
  /** How strongly its color wanders, 0 to 1. */
  readonly mottle?: number;
  /** Bands of another color across it: how many in one unit, and at which turn. */
  readonly bands?: { readonly color: LinearColor; readonly perUnit: number; readonly turnDeg: number };
}
/** An ellipsoid. */
export interface Ball extends Surface {
  readonly kind: 'ball';
  readonly at: Spot;
  readonly rx: number;
  readonly ry: number;
  readonly turnDeg: number;
  readonly depth: number;
}
/** A rounded rod between two spots, of one radius at each. */
export interface Limb extends Surface {
  readonly kind: 'limb';
  readonly from: Spot;
  readonly to: Spot;
  readonly fromR: number;
  readonly toR: number;
}
/** An outline with rounded edges: flat where it is wider than twice `bulge`. */
export interface Form extends Surface {
  readonly kind: 'form';
  readonly outline: readonly Spot[];
  readonly bulge: number;
}
/** A body as a lathe makes it: round about an upright axis, of a radius at each height. */
export interface Turned extends Surface {
  readonly kind: 'turned';
  readonly x: number;
  /** From top to foot. */
  readonly rings: readonly { readonly y: number; readonly r: number }[];
}
export type Solid = Ball | Limb | Form | Turned;

type Look = Partial<Omit<Surface, 'color'>> & { readonly color: string };
const surface = ({ color, lift = 0, ...rest }: Look): Surface => ({ color: fromRgb(color), lift, ...rest });

export const ball = (x: number, y: number, rx: number, ry: number, look: Look & { turnDeg?: number; depth?: number }): Ball => {
  const { turnDeg = 0, depth = Math.min(rx, ry), ...rest } = look;
  return { kind: 'ball', at: { x, y }, rx, ry, turnDeg, depth, ...surface(rest) };
};
export const limb = (from: readonly [number, number], to: readonly [number, number], fromR: number, toR: number, look: Look): Limb => ({
  ...{ kind: 'limb', from: { x: from[0], y: from[1] }, to: { x: to[0], y: to[1] }, fromR, toR },
  ...surface(look),
});
/** Rods through several spots, thinning from one radius to the other. */
export const stem = (through: readonly (readonly [number, number])[], fromR: number, toR: number, look: Look): readonly Limb[] =>
  through.slice(1).map((to, at) => {
    const from = through[at] as readonly [number, number];
    const r = (share: number) => fromR + ((toR - fromR) * share) / (through.length - 1);
    return limb(from, to, r(at), r(at + 1), look);
  });

/** @param rings height and radius, from top to foot */
export const turned = (x: number, rings: readonly (readonly [number, number])[], look: Look): Turned => ({
  ...{ kind: 'turned', x, rings: rings.map(([y, r]) => ({ y, r })) },
  ...surface(look),
});

/** How many pieces a smooth outline has between two of its spots. */
const PIECES = 6;
/**
 * A form with an outline through these spots. @param corners leaves the lines between them straight
 * @source closed centripetal curves through points: E. Catmull, R. Rom, 1974
 */
export function form(spots: readonly (readonly [number, number])[], bulge: number, look: Look, corners = false): Form {
  const points = spots.map(([x, y]) => ({ x, y }));
  if (corners) return { kind: 'form', outline: points, bulge, ...surface(look) };
  const of = (index: number) => points[(index + points.length) % points.length] as Spot;
  const outline = points.flatMap((_, index) => {
    const [p0, p1, p2, p3] = [of(index - 1), of(index), of(index + 1), of(index + 2)];
    return Array.from({ length: PIECES }, (_piece, step) => {
      const t = step / PIECES;
      const mix = (a: number, b: number, c: number, d: number) =>
        0.5 * (2 * b + (c - a) * t + (2 * a - 5 * b + 4 * c - d) * t * t + (3 * b - a - 3 * c + d) * t * t * t);
      return { x: mix(p0.x, p1.x, p2.x, p3.x), y: mix(p0.y, p1.y, p2.y, p3.y) };
    });
  });
  return { kind: 'form', outline, bulge, ...surface(look) };
}

/** A solid mirrored left to right about the middle. */
export const mirrored = (solid: Solid): Solid => {
  const flip = ({ x, y }: Spot): Spot => ({ x: -x, y });
  if (solid.kind === 'ball') return { ...solid, at: flip(solid.at), turnDeg: -solid.turnDeg };
  if (solid.kind === 'limb') return { ...solid, from: flip(solid.from), to: flip(solid.to) };
  if (solid.kind === 'turned') return { ...solid, x: -solid.x };
  return { ...solid, outline: solid.outline.map(flip) };
};
/** Solids and their mirror images. */
export const pair = (...solids: readonly Solid[]): readonly Solid[] => solids.flatMap((solid) => [solid, mirrored(solid)]);

/** Solids turned, scaled and moved together. */
export function placed(
  solids: readonly Solid[],
  at: { x: number; y: number; scale?: number; turnDeg?: number; lift?: number },
): readonly Solid[] {
  const { x, y, scale = 1, turnDeg = 0, lift = 0 } = at;
  const [cos, sin] = [Math.cos((turnDeg * Math.PI) / 180) * scale, Math.sin((turnDeg * Math.PI) / 180) * scale];
  const move = (spot: Spot): Spot => ({ x: x + spot.x * cos - spot.y * sin, y: y + spot.x * sin + spot.y * cos });
  return solids.map((solid): Solid => {
    const own = { lift: solid.lift * scale + lift };
    if (solid.kind === 'ball')
      return {
        ...solid,
        ...own,
        at: move(solid.at),
        rx: solid.rx * scale,
        ry: solid.ry * scale,
        depth: solid.depth * scale,
        turnDeg: solid.turnDeg + turnDeg,
      };
    if (solid.kind === 'limb')
      return { ...solid, ...own, from: move(solid.from), to: move(solid.to), fromR: solid.fromR * scale, toR: solid.toR * scale };
    // What was turned stands upright wherever it is put.
    if (solid.kind === 'turned')
      return {
        ...solid,
        ...own,
        x: x + solid.x * scale,
        rings: solid.rings.map((ring) => ({ y: y + ring.y * scale, r: ring.r * scale })),
      };
    return { ...solid, ...own, outline: solid.outline.map(move), bulge: solid.bulge * scale };
  });
}
