import { cross, dot, minus, times, unit, type Mesh, type Point } from './mesh';
import { hash, noise } from './noise';

export type Rgb = readonly [r: number, g: number, b: number];

/** What a surface is made of. */
export interface Material {
  /** Share of the light that it throws back, a channel, linear; left out where a designer chooses the color (the goods). */
  readonly albedo?: (at: Point, normal: Point) => Rgb;
  /** Which print area lies on it, from 1; 0 is tinted without a print area. Left out: never printed or tinted. */
  readonly area?: number;
  /** A clear coat: 0 is a mirror, 1 is dull; left out where there is none. */
  readonly coat?: number;
  /** How much of the light the coat throws back straight on. */
  readonly shine?: number;
  /** Unevenness of the surface: how far apart its bumps lie, in centimeters, and how steep they are. */
  readonly bump?: { readonly size: number; readonly steep: number };
}

/** A lamp with four corners: it shines from its corner along both edges, towards cross(across, along). */
export interface Lamp {
  readonly corner: Point;
  readonly across: Point;
  readonly along: Point;
  readonly color: Rgb;
}

/** A lamp of a size that stands somewhere and is turned towards a place. */
export function lampAt(from: Point, towards: Point, wide: number, high: number, color: Rgb): Lamp {
  const out = unit(minus(towards, from));
  const across = times(unit(cross([0, 1, 0], out)), wide);
  const along = times(cross(out, unit(across)), high);
  return { corner: minus(minus(from, times(across, 0.5)), times(along, 0.5)), across, along, color };
}

/** A part of the goods that may be printed, with its size where it is flat. */
export interface PrintArea {
  readonly name: string;
  readonly widthMm: number;
  readonly heightMm: number;
  /** How much of its width is seen at once, where it runs around. */
  readonly shownMm?: number;
}

/** Goods under a light before a camera. */
export interface Scene {
  readonly name: string;
  readonly label: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly mesh: Mesh;
  readonly materials: readonly Material[];
  readonly areas: readonly PrintArea[];
  readonly camera: {
    readonly eye: Point;
    readonly target: Point;
    /** Angle of view across, in degrees. */
    readonly fovDeg: number;
    /** Radius of the opening, in centimeters. */
    readonly aperture: number;
    readonly focus: Point;
  };
  /** The small warm lamp, seen through something that throws a shadow. */
  readonly key: Lamp & { readonly through?: (from: Point, to: Point) => number };
  /** The large cool panel opposite. */
  readonly panel: Lamp;
  readonly sky: Rgb;
  readonly exposure: number;
  /** What the goods throw back while light is traced; the print layer itself is told for white. */
  readonly goods: Rgb;
  /** What is worked into the goods after all noise is gone: cloth grain, ribs; a factor on the print layer by the place, in centimeters. */
  readonly grain?: (x: number, y: number, z: number) => number;
  /** How the goods are to be had before a designer chooses: a color, and the way marks are put on. */
  readonly start: { readonly color: string; readonly way: string };
  readonly seed: number;
}

type Shadow = (from: Point, to: Point) => number;

/** Where light from a surface to the lamp goes through a plane, in the plane's own directions; nothing where it does not. */
function through(origin: Point, across: Point, up: Point, from: Point, to: Point): readonly [x: number, y: number] | undefined {
  const normal = cross(across, up);
  const way = minus(to, from);
  const steep = dot(way, normal);
  const t = dot(minus(origin, from), normal) / (steep || 1e-9);
  if (t <= 0 || t >= 1) return undefined;
  const at = minus([from[0] + way[0] * t, from[1] + way[1] * t, from[2] + way[2] * t], origin);
  return [dot(at, across), dot(at, up)];
}

/** Light from a window: bars of a frame stand between the lamp and the goods. */
export function windowBars(origin: Point, across: Point, up: Point, pane: number, bar: number): Shadow {
  const inBar = (value: number) => ((value % pane) + pane) % pane < bar;
  return (from, to) => {
    const at = through(origin, across, up, from, to);
    return at && (inBar(at[0]) || inBar(at[1])) ? 0 : 1;
  };
}

/** Light through a tree: leaves on a few twigs stand between the lamp and the goods. @param size of a leaf @param share of the light that they take */
export function leaves(origin: Point, across: Point, up: Point, size: number, share: number, seed = 0): Shadow {
  return (from, to) => {
    const at = through(origin, across, up, from, to);
    if (!at) return 1;
    const [x, y] = [at[0] / size, at[1] / size];
    // Where twigs are thick, leaves are many.
    if (noise(x / 4 + seed, y / 4, 7) > share * 1.35) return 1;
    for (let i = -1; i <= 1; i++)
      for (let j = -1; j <= 1; j++) {
        const [a, b] = [Math.floor(x) + i, Math.floor(y) + j];
        if (hash(a, b, seed + 11) > 0.8) continue;
        const turn = hash(a, b, seed + 12) * Math.PI;
        const [dx, dy] = [x - a - hash(a, b, seed + 13), y - b - hash(a, b, seed + 14)];
        const [along, wide] = [dx * Math.cos(turn) + dy * Math.sin(turn), -dx * Math.sin(turn) + dy * Math.cos(turn)];
        // A leaf: two arcs that meet in points.
        if (Math.abs(along) < 0.75 && Math.abs(wide) < 0.3 * (1 - (along / 0.75) ** 2)) return 0;
      }
    return 1;
  };
}
