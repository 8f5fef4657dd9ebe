import { areaPathsD, EndType, FillRule, inflatePathsD, intersectD, JoinType, unionD, type PathsD } from 'clipper2-ts';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { coverageOf } from '$core/fields';
import { flatten, FORM_NAMES, mapPath, outlineOf, readPath, startOf, toSize, type Path, type Region } from '$core/index';
import { drawnOn, fillsOf, letteringInput } from './drawn-mark';
import { shelfOf } from './fonts';

/** An outline that is known before it is turned into pixels. */
export interface Known {
  readonly name: string;
  readonly region: Region;
}

const FACES = ['jost', 'playfair-display', 'zilla-slab', 'great-vibes'] as const;

/** Every other form of ours, and letters of four faces: straight, round, thin, curled; each as wide or as high as the picture but for a margin. */
export async function knownOutlines(sidePx: number): Promise<readonly Known[]> {
  const draw = drawnOn(await shelfOf(...FACES));
  const inner = sidePx * 0.92;
  const forms = FORM_NAMES.filter((_, index) => index % 3 === 0).map((form): Known => {
    const path = toSize(outlineOf(startOf(form)), inner, inner);
    return { name: form, region: { path: centered(path, sidePx), rule: 'nonzero' } };
  });
  const letters = FACES.flatMap((family) =>
    [...'ABGQRS&g8k'].flatMap((letter): Known[] => {
      const [fill] = fillsOf(
        draw(letteringInput({ text: letter, font: { family }, sizePx: 200, place: { x: 0, y: 0, turnDeg: 0 } })),
        'name',
      );
      return fill ? [{ name: `${family} ${letter}`, region: { path: centered(fill.path, sidePx, inner), rule: fill.rule } }] : [];
    }),
  );
  return [...forms, ...letters];
}

/** Moved, and brought to a size, so that its box stands in the middle of a square. */
function centered(path: Path, sidePx: number, largest?: number): Path {
  const points = flatten(path, 0.05).flat();
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = largest === undefined ? 1 : largest / Math.max(right - left, bottom - top);
  return mapPath(path, {
    ...{ a: scale, b: 0, c: 0, d: scale },
    e: sidePx / 2 - (scale * (left + right)) / 2,
    f: sidePx / 2 - (scale * (top + bottom)) / 2,
  });
}

/** How much of each pixel of a square is covered. */
export const pixelsOf = ({ region }: Known, sidePx: number): Float32Array =>
  coverageOf(region, { columns: sidePx, rows: sidePx, left: 0, top: 0, cell: 1 });

/** Points on an outline that lie between its pieces. */
export function nodesOf(path: Path): number {
  let count = 0;
  for (const verb of path.verbs) if (verb === 'L' || verb === 'C' || verb === 'Q') count++;
  // The closing line of a contour is a piece when it does not come back to its beginning.
  let at = 0;
  let [startX, startY, x, y] = [0, 0, 0, 0];
  for (const verb of path.verbs) {
    if (verb === 'Z') {
      if (Math.hypot(x - startX, y - startY) > 0.02) count++;
      continue;
    }
    at += { M: 2, L: 2, Q: 4, C: 6 }[verb as 'M'];
    [x, y] = [path.coords[at - 2] as number, path.coords[at - 1] as number];
    if (verb === 'M') [startX, startY] = [x, y];
  }
  return count;
}

const polygons = ({ path, rule }: Region): PathsD =>
  unionD(
    flatten(path, 0.04).map((polygon) => polygon.map(({ x, y }) => ({ x, y }))),
    [],
    rule === 'evenodd' ? FillRule.EvenOdd : FillRule.NonZero,
    4,
  );

export interface Likeness {
  /** Area of what both cover, over area of what either covers, by another library. */
  readonly iou: number;
  /** Farthest that either outline is from the other, in pixels. */
  readonly deviationPx: number;
}

/** How alike two regions are. */
export function likeness(one: Region, other: Region): Likeness {
  const [a, b] = [polygons(one), polygons(other)];
  const both = Math.abs(areaPathsD(intersectD(a, b, FillRule.NonZero, 4)));
  const iou = both / (Math.abs(areaPathsD(a)) + Math.abs(areaPathsD(b)) - both);
  return { iou, deviationPx: Math.max(farthest(a, b), farthest(b, a)) };
}

/**
 * Whether a disk can roll through a region, and through what is around it, and leaves nothing farther away than some pixels: whether it has no
 * thin tips and no thin notches.
 */
export function rollsThrough(region: Region, radiusPx: number, leftPx: number): boolean {
  const whole = polygons(region);
  const offset = (shape: PathsD, by: number): PathsD => inflatePathsD(shape, by, JoinType.Round, EndType.Polygon, 2, 4, 0.01);
  return [-radiusPx, radiusPx].every((by) => {
    const rolled = offset(offset(whole, by), -by);
    return rolled.length > 0 && farthest(whole, rolled) <= leftPx;
  });
}

/** Farthest that points two pixels apart on some polygons are from others, by cells of 8 pixels. */
function farthest(from: PathsD, to: PathsD): number {
  const CELL = 8;
  const cells = new Map<string, (readonly [number, number, number, number])[]>();
  for (const polygon of to)
    polygon.forEach((a, index) => {
      const b = polygon[(index + 1) % polygon.length] ?? a;
      const steps = Math.max(1, Math.ceil(Math.hypot(b.x - a.x, b.y - a.y) / (CELL / 2)));
      let last = '';
      for (let step = 0; step <= steps; step++) {
        const name = `${Math.floor((a.x + ((b.x - a.x) * step) / steps) / CELL)} ${Math.floor((a.y + ((b.y - a.y) * step) / steps) / CELL)}`;
        if (name === last) continue;
        last = name;
        const list = cells.get(name);
        if (list) list.push([a.x, a.y, b.x, b.y]);
        else cells.set(name, [[a.x, a.y, b.x, b.y]]);
      }
    });
  const near = (x: number, y: number): number => {
    let best = Infinity;
    const [cx, cy] = [Math.floor(x / CELL), Math.floor(y / CELL)];
    for (let reach = 1; reach <= 8 && best > (reach - 1) * CELL; reach *= 2)
      for (let dx = -reach; dx <= reach; dx++)
        for (let dy = -reach; dy <= reach; dy++)
          for (const [ax, ay, bx, by] of cells.get(`${cx + dx} ${cy + dy}`) ?? []) {
            const [ux, uy] = [bx - ax, by - ay];
            const t = Math.min(1, Math.max(0, ((x - ax) * ux + (y - ay) * uy) / (ux * ux + uy * uy || 1)));
            best = Math.min(best, Math.hypot(x - ax - t * ux, y - ay - t * uy));
          }
    return best;
  };
  let worst = 0;
  for (const polygon of from)
    polygon.forEach((a, index) => {
      const b = polygon[(index + 1) % polygon.length] ?? a;
      const steps = Math.max(1, Math.ceil(Math.hypot(b.x - a.x, b.y - a.y) / 2));
      for (let step = 0; step < steps; step++)
        worst = Math.max(worst, near(a.x + ((b.x - a.x) * step) / steps, a.y + ((b.y - a.y) * step) / steps));
    });
  return worst;
}

/** The yardstick: what another program traces of the same pixels. @param gray 0 inside, 1 outside */
export function tracedElsewhere(gray: Float32Array, columns: number, rows: number): Region {
  const folder = mkdtempSync(join(tmpdir(), 'trace-'));
  try {
    const [from, to] = [join(folder, 'in.pgm'), join(folder, 'out.svg')];
    const bytes = Uint8Array.from(gray, (value) => Math.round(255 * Math.min(1, Math.max(0, value))));
    writeFileSync(from, Buffer.concat([Buffer.from(`P5\n${columns} ${rows}\n255\n`), bytes]));
    spawnSync('potrace', ['--svg', '--flat', '-k', '0.5', '-t', '2', '-u', '100', '-o', to, from]);
    const markup = readFileSync(to, 'utf8');
    const data = [...markup.matchAll(/<path d="([^"]*)"/g)].map(([, d]) => d).join(' ');
    return { path: fromRelative(data, rows), rule: 'nonzero' };
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** That program writes in tenths of a pixel times ten, upward, with steps from point to point. */
function fromRelative(data: string, rows: number): Path {
  const tokens = data.match(/[MmLlCcZz]|-?\d+(?:\.\d+)?/g) ?? [];
  let out = '';
  let [x, y, startX, startY] = [0, 0, 0, 0];
  let verb = '';
  for (let at = 0; at < tokens.length;) {
    const token = tokens[at] as string;
    if (/[a-z]/i.test(token)) {
      verb = token;
      at++;
      if (verb === 'z' || verb === 'Z') {
        out += 'Z';
        [x, y] = [startX, startY];
      }
      continue;
    }
    const take = verb === 'c' || verb === 'C' ? 6 : 2;
    const numbers = tokens.slice(at, at + take).map(Number);
    at += take;
    const relative = verb === verb.toLowerCase();
    const points: number[] = [];
    for (let index = 0; index < take; index += 2)
      points.push((relative ? x : 0) + (numbers[index] as number), (relative ? y : 0) + (numbers[index + 1] as number));
    [x, y] = [points[take - 2] as number, points[take - 1] as number];
    const upper = verb.toUpperCase();
    if (upper === 'M') [startX, startY] = [x, y];
    out += `${upper}${points.map((value, index) => (index % 2 === 0 ? value / 100 : rows - value / 100)).join(' ')}`;
    if (upper === 'M') verb = relative ? 'l' : 'L';
  }
  return readPath(out) ?? { verbs: '', coords: [] };
}
