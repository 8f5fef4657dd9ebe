import type { Affine } from './affine';

/**
 * An outline of any number of contours. `verbs` is read from left to right, each taking its numbers from `coords`:
 * M move (2), L line (2), Q quadratic (4), C cubic (6), Z close (0). Points are absolute, x then y, y down.
 */
export interface Path {
  readonly verbs: string;
  readonly coords: readonly number[];
}

/** Which enclosed areas are filled. @source W3C SVG 2, 13.4.2 "fill-rule" */
export type FillRule = 'nonzero' | 'evenodd';

export const EMPTY_PATH: Path = { verbs: '', coords: [] };

/** How many numbers a verb takes. */
export const NUMBERS_OF = { M: 2, L: 2, Q: 4, C: 6, Z: 0 } as const;
export type Verb = keyof typeof NUMBERS_OF;

/** Collects verbs and numbers; the only place where a path is grown step by step. */
export class PathPen {
  #verbs = '';
  readonly #coords: number[] = [];

  move(x: number, y: number): this {
    return this.#add('M', x, y);
  }
  line(x: number, y: number): this {
    return this.#add('L', x, y);
  }
  quadratic(cx: number, cy: number, x: number, y: number): this {
    return this.#add('Q', cx, cy, x, y);
  }
  cubic(c1x: number, c1y: number, c2x: number, c2y: number, x: number, y: number): this {
    return this.#add('C', c1x, c1y, c2x, c2y, x, y);
  }
  close(): this {
    return this.#add('Z');
  }
  path(): Path {
    return { verbs: this.#verbs, coords: this.#coords.slice() };
  }
  #add(verb: Verb, ...numbers: number[]): this {
    this.#verbs += verb;
    for (const number of numbers) this.#coords.push(number);
    return this;
  }
}

/** The path with every point mapped. */
export function mapPath(path: Path, map: Affine): Path {
  const coords = new Array<number>(path.coords.length);
  for (let i = 0; i < coords.length; i += 2) {
    const x = path.coords[i] as number;
    const y = path.coords[i + 1] as number;
    coords[i] = map.a * x + map.c * y + map.e;
    coords[i + 1] = map.b * x + map.d * y + map.f;
  }
  return { verbs: path.verbs, coords };
}

/** All contours of several paths as one path. */
export const joinPaths = (paths: readonly Path[]): Path => ({
  verbs: paths.map((path) => path.verbs).join(''),
  coords: paths.flatMap((path) => path.coords),
});
