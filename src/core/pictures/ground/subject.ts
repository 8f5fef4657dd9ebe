import { eachOf } from '../../numeric/tuples';
import { labPlanes, scaledDown, type Pixels } from '../pixels';
import { colorMixture } from './color-mixture';
import { leastCut, type CutCosts } from './max-flow';
import { LEAST_STEP, standsOut } from './stands-out';
import { pixelsUnder, type Stroke } from './strokes';
import { apart, colorSteps, colorWays, superpixels, type ColorPlanes, type Superpixels } from './superpixels';

/** The mean squared step between neighbors of a picture that is all of one color; never less. */
const PLAIN = 0.001;

/** Longest side at which subject and ground are parted; more is no better. */
export const PARTING_SIDE = 288;
/** About how many patches. */
const PATCHES = 300;
const ROUNDS = 4;
/** Fewer pixels than this share changed: nothing more will. */
const CALM = 0.002;
/** What parting two equal neighbors costs. @source Rother et al. 2004 */
const PARTING = 50;
/** Sure ground: below this share of the threshold, and holding on to the rim so surely. */
const [SURE_LOW, SURE_RIM] = [0.35, 0.75];
/** Subject's islands smaller than this share of the largest are dropped, or this where they stand out; holes smaller than this share of the picture are filled. */
const [ISLAND, ISLAND_OUT, HOLE] = [0.08, 0.004, 0.0012];
/** A stroke spreads to patches that are so alike, along ways of like color; the spread of that likeness. */
const [SPREADS, SPREAD_SIGMA] = [0.6, 7];
/** A pixel this far from the mean of its patch, in color, is of another thing. */
const OWN_COLOR = 12;
/** Share of a stroke's pixels that lie on a patch that is meant. */
const MEANT = 0.1;
/** Share of the patches left that is begun from when all that stood out was dropped. */
const NEXT_SHARE = 0.2;
const NEVER = 1e6;

export interface Subject {
  readonly columns: number;
  readonly rows: number;
  /** 1 where the subject is. */
  readonly mask: Uint8Array;
  /** Nothing stood out and nothing was said: all is ground. */
  readonly nothing: boolean;
}

/** What is worked out once of a picture, whatever is brushed afterwards. */
export interface Parting {
  readonly columns: number;
  readonly rows: number;
  readonly planes: ColorPlanes;
  readonly patches: Superpixels;
  readonly parting: CutCosts['parting'];
  /** By pixel: 0 sure ground, 1 probably ground, 2 probably subject. */
  readonly begun: Uint8Array;
  readonly outstanding: Float32Array;
  readonly threshold: number;
  readonly clear: Uint8Array;
}

export function partingOf(pixels: Pixels): Parting {
  const small = scaledDown(pixels, PARTING_SIDE);
  const { columns, rows } = small;
  const { lightness, a, b, alpha } = labPlanes(small);
  const planes: ColorPlanes = [lightness.map((v) => v * 100), a.map((v) => v * 300), b.map((v) => v * 300)];
  const patches = superpixels(planes, columns, rows, PATCHES);
  const { subject, ground, threshold } = standsOut(patches, columns, rows);
  const begun = new Uint8Array(columns * rows);
  const clear = new Uint8Array(columns * rows);
  for (let at = 0; at < begun.length; at++) {
    const k = patches.of[at] as number;
    const out = subject[k] as number;
    const sure = out < SURE_LOW * threshold && (ground[k] as number) > SURE_RIM;
    begun[at] = out > threshold ? 2 : sure ? 0 : 1;
    if ((alpha[at] as number) < 0.5) clear[at] = 1;
  }
  return { columns, rows, planes, patches, parting: partingCosts(planes, columns, rows), begun, outstanding: subject, threshold, clear };
}

function partingCosts([l, a, b]: ColorPlanes, columns: number, rows: number): CutCosts['parting'] {
  const steps = [
    [1, 0],
    [0, 1],
    [1, 1],
    [-1, 1],
  ] as const;
  const squares = eachOf(steps, ([dx, dy]) => {
    const out = new Float32Array(columns * rows);
    for (let y = 0; y + dy < rows; y++)
      for (let x = Math.max(0, -dx); x + Math.max(0, dx) < columns; x++) {
        const at = y * columns + x;
        const to = at + dy * columns + dx;
        out[at] =
          ((l[at] as number) - (l[to] as number)) ** 2 +
          ((a[at] as number) - (a[to] as number)) ** 2 +
          ((b[at] as number) - (b[to] as number)) ** 2;
      }
    return out;
  });
  const mean = squares.reduce((sum, plane) => sum + plane.reduce((total, value) => total + value, 0), 0) / (4 * columns * rows);
  const beta = 1 / (2 * Math.max(mean, PLAIN));
  return eachOf(squares, (plane, way) => plane.map((square) => (PARTING * Math.exp(-beta * square)) / (way < 2 ? 1 : Math.SQRT2)));
}

/** Subject and ground of a picture, after strokes. The same strokes on the same picture part it in the same way, to the pixel. */
export function subjectOf(parting: Parting, strokes: readonly Stroke[]): Subject {
  const { columns, rows, planes, clear } = parting;
  const count = columns * rows;
  /** 0 sure ground, 1 and 2 probably, 3 sure subject. */
  const state = Uint8Array.from(parting.begun);
  for (let at = 0; at < count; at++) if (clear[at]) state[at] = 0;
  spreadStrokes(parting, strokes, state);
  for (const stroke of strokes) pixelsUnder(stroke, columns, rows, (at) => (state[at] = stroke.as === 'keep' ? 3 : 0));
  if (strokes.length > 0 && !state.some((value) => value >= 2)) nextOutstanding(parting, state);
  const [l, a, b] = planes;
  const some = (wanted: (value: number) => boolean): Int32Array => {
    const found: number[] = [];
    for (let at = 0; at < count; at++) if (wanted(state[at] as number)) found.push(at);
    return Int32Array.from(found);
  };
  const kept = strokes.some(({ as }) => as === 'keep');
  let [subject, ground] = [some((value) => value >= 2), some((value) => value < 2)];
  if (subject.length === 0) return { columns, rows, mask: new Uint8Array(count), nothing: !kept };
  if (ground.length === 0) return { columns, rows, mask: new Uint8Array(count).fill(1), nothing: false };
  let mask = new Uint8Array(count);
  const costs = { columns, rows, ground: new Float32Array(count), subject: new Float32Array(count), parting: parting.parting };
  for (let round = 0; round < ROUNDS; round++) {
    const [likeSubject, likeGround] = [colorMixture(planes, subject), colorMixture(planes, ground)];
    for (let at = 0; at < count; at++) {
      const said = state[at] as number;
      if (said === 0) [costs.ground[at], costs.subject[at]] = [0, NEVER];
      else if (said === 3) [costs.ground[at], costs.subject[at]] = [NEVER, 0];
      else {
        const [x, y, z] = [l[at] as number, a[at] as number, b[at] as number];
        costs.subject[at] = likeSubject(x, y, z);
        costs.ground[at] = likeGround(x, y, z);
      }
    }
    const next = leastCut(costs);
    const changed = next.reduce((sum, value, at) => sum + (value === mask[at] ? 0 : 1), 0);
    mask = next as Uint8Array<ArrayBuffer>;
    const members = (value: number): Int32Array => {
      const found: number[] = [];
      for (let at = 0; at < count; at++) if (mask[at] === value) found.push(at);
      return Int32Array.from(found);
    };
    [subject, ground] = [members(1), members(0)];
    if (subject.length === 0 || ground.length === 0 || changed < count * CALM) break;
  }
  tidy(parting, state, mask);
  for (let at = 0; at < count; at++) if (clear[at]) mask[at] = 0;
  return { columns, rows, mask, nothing: !mask.includes(1) };
}

/** All that stood out was dropped: what stands out most of the rest is the subject until something is kept. */
function nextOutstanding({ patches, outstanding }: Parting, state: Uint8Array): void {
  const open = new Set<number>();
  state.forEach((value, at) => {
    if (value === 1) open.add(patches.of[at] as number);
  });
  const ranked = [...open].sort((one, other) => (outstanding[other] as number) - (outstanding[one] as number));
  const taken = new Set(ranked.slice(0, Math.ceil(ranked.length * NEXT_SHARE)));
  state.forEach((value, at) => {
    if (value === 1 && taken.has(patches.of[at] as number)) state[at] = 2;
  });
}

/** Strokes spread to patches like those they touch; keeping ones only where they are more alike than the rim's ground is. */
function spreadStrokes({ columns, rows, planes, patches, begun }: Parting, strokes: readonly Stroke[], state: Uint8Array): void {
  const spreading = strokes.filter(({ exact }) => !exact);
  if (spreading.length === 0) return;
  /** Whether a pixel has about the color of its patch: at edges patches have pixels of both sides. */
  const ofPatch = (at: number): boolean => {
    const k = patches.of[at] as number;
    const [l, a, b] = planes;
    const [dl, da, db] = [
      (l[at] as number) - (patches.color[k * 3] as number),
      (a[at] as number) - (patches.color[k * 3 + 1] as number),
      (b[at] as number) - (patches.color[k * 3 + 2] as number),
    ];
    return dl * dl + da * da + db * db < OWN_COLOR * OWN_COLOR;
  };
  // A stroke beside an edge touches patches across it: meant are those that it runs over for a good part of its way, on their own color.
  const touched = (as: Stroke['as']): number[] => {
    const meant = new Set<number>();
    for (const stroke of spreading) {
      if (stroke.as !== as) continue;
      const met = new Map<number, { own: number; all: number }>();
      let total = 0;
      pixelsUnder(stroke, columns, rows, (at) => {
        const k = patches.of[at] as number;
        const tally = met.get(k) ?? { own: 0, all: 0 };
        met.set(k, tally);
        tally.all++;
        total++;
        if (ofPatch(at)) tally.own++;
      });
      const most = Math.max(...[...met.values()].map(({ all }) => all));
      for (const [k, { own, all }] of met) if (own > 0.6 * all && all >= Math.min(MEANT * total, most)) meant.add(k);
    }
    return [...meant];
  };
  const [keeps, drops] = [touched('keep'), touched('drop')];
  const rim = Array.from({ length: patches.count }, (_, k) => k).filter(
    (k) => (patches.atRim[k] as number) > 0 && !keeps.includes(k) && begun[patches.of.indexOf(k)] === 0,
  );
  const steps = colorSteps(patches, LEAST_STEP, false);
  // Step by step a way of mixed patches leads from anything to anything: what is meant is like the stroke itself as well.
  const likeness = (from: readonly number[]): Float32Array =>
    from.length === 0
      ? new Float32Array(patches.count)
      : colorWays(steps, from).map((way, k) => {
          const direct = from.reduce((best, each) => Math.min(best, apart(patches, each, k)), Infinity);
          return direct > OWN_COLOR ? 0 : Math.exp(-(way * way) / (2 * SPREAD_SIGMA * SPREAD_SIGMA));
        });
  const [keep, drop, edge] = [likeness(keeps), likeness(drops), likeness(rim)];
  for (let at = 0; at < state.length; at++) {
    if (!ofPatch(at)) {
      // Left to the cut.
      if (state[at] === 0 && keeps.length > 0) state[at] = 1;
      continue;
    }
    const k = patches.of[at] as number;
    const [likeKeep, likeDrop] = [keep[k] as number, drop[k] as number];
    if (likeKeep > SPREADS && likeKeep >= likeDrop && likeKeep > (edge[k] as number)) state[at] = 3;
    else if (likeDrop > SPREADS && likeDrop > likeKeep) state[at] = 0;
    // What was sure ground only for looking like it may be had again once something is kept.
    else if (keeps.length > 0 && state[at] === 0 && likeKeep > 0.2) state[at] = 1;
  }
}

/** Small islands are dropped and small holes filled, but where a stroke said otherwise. */
function tidy({ columns, patches, outstanding, threshold }: Parting, state: Uint8Array, mask: Uint8Array): void {
  const regions = regionsOf(mask, columns);
  const largest = Math.max(0, ...regions.filter(({ value }) => value === 1).map(({ pixels }) => pixels.length));
  for (const { value, pixels, atRim } of regions) {
    const said = pixels.some((at) => state[at] === (value === 1 ? 3 : 0));
    if (value === 1) {
      const out = pixels.reduce((sum, at) => sum + (outstanding[patches.of[at] as number] as number), 0) / pixels.length;
      const least = out > threshold ? ISLAND_OUT : ISLAND;
      if (!said && pixels.length < least * largest) for (const at of pixels) mask[at] = 0;
    } else if (!said && !atRim && pixels.length < HOLE * mask.length) for (const at of pixels) mask[at] = 1;
  }
}

interface Region {
  readonly value: number;
  readonly pixels: readonly number[];
  readonly atRim: boolean;
}
function regionsOf(mask: Uint8Array, columns: number): readonly Region[] {
  const seen = new Uint8Array(mask.length);
  const regions: Region[] = [];
  for (let start = 0; start < mask.length; start++) {
    if (seen[start]) continue;
    const value = mask[start] as number;
    const pixels = [start];
    seen[start] = 1;
    let atRim = false;
    for (let next = 0; next < pixels.length; next++) {
      const at = pixels[next] as number;
      const x = at % columns;
      if (x === 0 || x === columns - 1 || at < columns || at >= mask.length - columns) atRim = true;
      for (const near of [x > 0 ? at - 1 : -1, x < columns - 1 ? at + 1 : -1, at - columns, at + columns])
        if (near >= 0 && near < mask.length && !seen[near] && mask[near] === value) {
          seen[near] = 1;
          pixels.push(near);
        }
    }
    regions.push({ value, pixels, atRim });
  }
  return regions;
}
