import { between, coverageOf, gaussian } from '$core/fields';
import { joinPaths, mapPath, outlineOf, startOf, toSize, translation, type FormName, type Path } from '$core/index';
import type { Pixels, Stroke } from '$core/pictures';
import { random } from './random';

/** Kinds of pictures that a ground is taken out of. */
export const GROUND_CLASSES = {
  A: 'plain ground',
  B: 'gradient and a shadow',
  C: 'hair and soft edges',
  D: 'subject of nearly the ground’s color',
  E: 'busy ground',
  F: 'busy and hairy',
} as const;
export type GroundClass = keyof typeof GROUND_CLASSES;

/** A picture whose subject is known: how much of every pixel it covers. */
export interface KnownGround {
  readonly pixels: Pixels;
  readonly alpha: Float32Array;
}

const [COLUMNS, ROWS] = [600, 450];
const FORMS: readonly FormName[] = ['fish', 'acorn', 'ship', 'key', 'peony', 'kiteShield', 'scroll', 'fleurDeLis', 'book', 'axe'];

type Rgb = readonly [number, number, number];
const hue = (turn: number, light: number, chroma: number): Rgb => [
  light + chroma * Math.cos(turn),
  light + chroma * Math.cos(turn - 2.094),
  light + chroma * Math.cos(turn + 2.094),
];

/** A smooth field of seeded noise, about −1 to 1; coarse grains are made small and spread. */
function cloud(next: () => number, grain: number): Float32Array {
  const every = Math.max(1, Math.floor(grain / 3));
  const [wide, high] = [Math.ceil(COLUMNS / every) + 1, Math.ceil(ROWS / every) + 1];
  const raw = Float32Array.from({ length: wide * high }, () => next() - 0.5);
  const soft = gaussian(raw, wide, high, grain / every);
  const most = soft.reduce((top, value) => Math.max(top, Math.abs(value)), 1e-9);
  const grid = { columns: wide, rows: high, left: 0, top: 0, cell: 1 };
  return Float32Array.from(
    { length: COLUMNS * ROWS },
    (_, at) => between(soft, grid, (at % COLUMNS) / every, Math.floor(at / COLUMNS) / every) / most,
  );
}

/** A seeded picture of 600 × 450 of a class, all made here. */
export function knownGround(kind: GroundClass, seed: number): KnownGround {
  const next = random(seed * 101 + kind.charCodeAt(0) * 7919);
  const grid = { columns: COLUMNS, rows: ROWS, left: 0, top: 0, cell: 1 };
  const size = 190 + next() * 130;
  const form = FORMS[Math.floor(next() * FORMS.length)] as FormName;
  const place = translation(COLUMNS / 2 + (next() - 0.5) * 120, ROWS / 2 + (next() - 0.5) * 50);
  const body: Path = mapPath(toSize(outlineOf(startOf(form)), size * (0.8 + next() * 0.5), size), place);
  const hairy = kind === 'C' || kind === 'F';
  const parts = [body];
  if (hairy) parts.push(strands(body, next));
  let alpha = coverageOf({ path: parts.length > 1 ? joinPaths(parts) : body, rule: 'nonzero' }, grid);
  if (hairy) alpha = gaussian(alpha, COLUMNS, ROWS, 0.7 + next() * 0.8);
  const turn = next() * 2 * Math.PI;
  const light = 0.35 + next() * 0.4;
  const ground = hue(turn, light, kind === 'D' ? 0.08 : 0.05 + next() * 0.15);
  const away = kind === 'D' ? 0.16 + next() * 0.06 : 0.32 + next() * 0.15;
  const subjectLight = light > 0.55 ? light - away : light + away;
  const subject = hue(kind === 'D' ? turn + 0.3 : turn + 1.5 + next() * 3, subjectLight, kind === 'D' ? 0.08 : 0.1 + next() * 0.15);
  const [shade, grain, spots] = [cloud(next, 40), cloud(next, 1.2), cloud(next, 9)];
  const marks = busyMarks(kind === 'E' || kind === 'F', next, ground);
  const shadow =
    kind === 'B' ? gaussian(coverageOf({ path: mapPath(body, translation(14, 22)), rule: 'nonzero' }, grid), COLUMNS, ROWS, 12) : undefined;
  const [gx, gy] = [(next() - 0.5) * 0.35, (next() - 0.5) * 0.35];
  const rgba = new Uint8Array(COLUMNS * ROWS * 4);
  for (let y = 0; y < ROWS; y++)
    for (let x = 0; x < COLUMNS; x++) {
      const at = y * COLUMNS + x;
      const a = alpha[at] as number;
      const tilt = kind === 'B' ? (x / COLUMNS - 0.5) * gx + (y / ROWS - 0.5) * gy : 0;
      const dark = shadow ? 1 - 0.35 * (shadow[at] as number) : 1;
      for (let k = 0; k < 3; k++) {
        const behind = ((marks ? (marks[k]?.[at] as number) : (ground[k] as number)) + tilt) * dark + 0.012 * (grain[at] as number);
        const front =
          (subject[k] as number) * (1 + 0.16 * (shade[at] as number)) + 0.07 * (spots[at] as number) + 0.015 * (grain[at] as number);
        rgba[at * 4 + k] = Math.round(255 * Math.min(1, Math.max(0, a * front + (1 - a) * behind)));
      }
      rgba[at * 4 + 3] = 255;
    }
  return { pixels: { columns: COLUMNS, rows: ROWS, rgba }, alpha };
}

/** Thin tapering strands that leave an outline. */
function strands(body: Path, next: () => number): Path {
  const points: { x: number; y: number }[] = [];
  for (let at = 0; at + 1 < body.coords.length; at += 2) points.push({ x: body.coords[at] as number, y: body.coords[at + 1] as number });
  const middle = points.reduce((sum, { x, y }) => ({ x: sum.x + x / points.length, y: sum.y + y / points.length }), { x: 0, y: 0 });
  let verbs = '';
  const coords: number[] = [];
  for (let n = 0; n < 160; n++) {
    const from = points[Math.floor(next() * points.length)] as { x: number; y: number };
    const turn = Math.atan2(from.y - middle.y, from.x - middle.x) + (next() - 0.5) * 1.6;
    const [length, width] = [12 + next() * 26, 0.8 + next() * 1.2];
    const [dx, dy] = [Math.cos(turn), Math.sin(turn)];
    const bend = (next() - 0.5) * 14;
    verbs += 'MQQZ';
    const tip = [from.x + dx * length, from.y + dy * length] as const;
    const [mx, my] = [from.x + dx * length * 0.5 - dy * bend, from.y + dy * length * 0.5 + dx * bend];
    coords.push(from.x - dx * 4 - dy * width, from.y - dy * 4 + dx * width, mx - dy * width * 0.5, my + dx * width * 0.5, ...tip);
    coords.push(mx + dy * width * 0.5, my - dx * width * 0.5, from.x - dx * 4 + dy * width, from.y - dy * 4 - dx * width);
  }
  return { verbs, coords };
}

/** A ground of many patches in other colors. */
function busyMarks(busy: boolean, next: () => number, ground: Rgb): readonly Float32Array[] | undefined {
  if (!busy) return undefined;
  const planes = ground.map((value) => new Float32Array(COLUMNS * ROWS).fill(value));
  for (let n = 0; n < 45; n++) {
    const [x, y, wide, high] = [next() * COLUMNS, next() * ROWS, 15 + next() * 70, 15 + next() * 70];
    const color = ground.map((value) => value + (next() - 0.5) * 0.28);
    for (let py = Math.max(0, Math.floor(y - high)); py < Math.min(ROWS, y + high); py++)
      for (let px = Math.max(0, Math.floor(x - wide)); px < Math.min(COLUMNS, x + wide); px++)
        if (((px - x) / wide) ** 2 + ((py - y) / high) ** 2 <= 1)
          planes.forEach((plane, k) => (plane[py * COLUMNS + px] = color[k] as number));
  }
  return planes.map((plane) => gaussian(plane, COLUMNS, ROWS, 1.5).map((value, at) => value || (plane[at] as number)));
}

/** Of what is covered by at least a half: area that both have, over area that either has. */
export function maskLikeness(one: Float32Array, other: Float32Array): number {
  let [both, either] = [0, 0];
  for (let at = 0; at < one.length; at++) {
    const [a, b] = [(one[at] as number) >= 0.5, (other[at] as number) >= 0.5];
    if (a && b) both++;
    if (a || b) either++;
  }
  return either === 0 ? 1 : both / either;
}

export const alphaError = (one: Float32Array, other: Float32Array): number =>
  one.reduce((sum, value, at) => sum + Math.abs(value - (other[at] as number)), 0) / one.length;

/**
 * The stroke that somebody would draw next: through the middle of the largest patch that is wrong, as far as it goes.
 * @param found how much of every pixel was taken for subject
 */
export function nextStroke(known: KnownGround, found: Float32Array): Stroke | undefined {
  const wrong = Int8Array.from(found, (value, at) => (value >= 0.5 === (known.alpha[at] as number) >= 0.5 ? 0 : value >= 0.5 ? -1 : 1));
  const seen = new Uint8Array(wrong.length);
  let largest: number[] = [];
  for (let start = 0; start < wrong.length; start++) {
    if (wrong[start] === 0 || seen[start]) continue;
    const patch = [start];
    seen[start] = 1;
    for (let n = 0; n < patch.length; n++) {
      const at = patch[n] as number;
      const x = at % COLUMNS;
      for (const near of [x > 0 ? at - 1 : -1, x < COLUMNS - 1 ? at + 1 : -1, at - COLUMNS, at + COLUMNS])
        if (near >= 0 && near < wrong.length && !seen[near] && wrong[near] === wrong[start]) {
          seen[near] = 1;
          patch.push(near);
        }
    }
    if (patch.length > largest.length) largest = patch;
  }
  if (largest.length < 60) return undefined;
  // The pixels of the patch farthest from its edge, then from left to right or from above, some along the way.
  const inside = new Set(largest);
  let ring = largest;
  for (;;) {
    const inner = ring.filter((at) => [at - 1, at + 1, at - COLUMNS, at + COLUMNS].every((near) => inside.has(near)));
    if (inner.length < Math.max(8, largest.length * 0.04)) break;
    inside.clear();
    for (const at of inner) inside.add(at);
    ring = inner;
  }
  const place = (at: number): [number, number] => [((at % COLUMNS) + 0.5) / COLUMNS, (Math.floor(at / COLUMNS) + 0.5) / ROWS];
  // From the deepest pixel along the patch, never out of it, as far as a hand goes at once.
  const within = new Set(largest);
  const cameFrom = new Map<number, number>();
  const walk = [ring[ring.length >> 1] as number];
  cameFrom.set(walk[0] as number, -1);
  const steps = new Map<number, number>([[walk[0] as number, 0]]);
  let last = walk[0] as number;
  for (let n = 0; n < walk.length; n++) {
    const at = walk[n] as number;
    last = at;
    const gone = steps.get(at) as number;
    if (gone >= 120) break;
    for (const near of [at - 1, at + 1, at - COLUMNS, at + COLUMNS])
      if (within.has(near) && !cameFrom.has(near)) {
        cameFrom.set(near, at);
        steps.set(near, gone + 1);
        walk.push(near);
      }
  }
  const path: number[] = [];
  for (let at = last; at >= 0; at = cameFrom.get(at) as number) path.push(at);
  const every = Math.max(1, Math.floor(path.length / 30));
  const points = path.filter((_, n) => n % every === 0).map(place);
  return { as: wrong[largest[0] as number] === 1 ? 'keep' : 'drop', points, width: 0.006, exact: false };
}
