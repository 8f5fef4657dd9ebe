import type { Hex } from '../../color/hex';
import { labsOfPalette } from './palette-labs';
import { boundsOf, distanceInside, gridOver, heightOf, IDENTITY, widthOf, type PathAlgebra, type Region } from '../../geometry';
import type { Palette } from '../../color/palette';
import type { Problem } from '../../result/result';
import type { Drawing } from '../drawing/drawing';
import type { ResolvedMark } from '../drawing/resolve';
import { buildOneColor, inkedCells, type Wish } from './build';
import { decide, type Sheet, type State } from './decide';
import { BUFFER_CELLS, itemBuffer, type ItemBuffer } from './item-buffer';
import { distanceOf, labOf, leavesOf, type Lab } from './units';
import { notNought } from '../../numeric/tolerances';
import type { OneColorWish } from './wishes';

/** Gap and outline: at least these shares of the mark's mean side and of its longer side. */
const GAP_OF_MEAN = 0.012;
const GAP_OF_LONGER = 0.005;
/** A unit must be told apart along this share of its outline; smaller ones than this share of the ink are not looked at. */
const TOLD_SHARE = 0.6;
const SMALL_SHARE = 0.01;
const VANISHED_SHARE = 0.15;

/** What was decided for a part, and whether it can be seen. */
export interface OneColorPart {
  readonly part: string;
  /** Of its colors, largest first. */
  readonly states: readonly State[];
  /** Share of its visible outline along which it is told apart. */
  readonly told: number;
  readonly shareOfInk: number;
}

export interface OneColor {
  /** In mark pixels; everything that is painted, as one outline for each ink. */
  readonly areas: readonly Region[];
  readonly gapPx: number;
  readonly parts: readonly OneColorPart[];
  readonly notices: readonly Problem[];
  /** Share of the strong borders at which light and dark are the other way round than in full color. */
  readonly swapped: number;
  /** Share of the edges of the result that nobody saw in full color; the lines of hatching left out. */
  readonly invented: number;
  /** Parts that hold light and dark side by side: turned as they are, they become negatives. */
  readonly portraits: readonly string[];
  /** What was decided, by unit. */
  readonly decided: readonly State[];
  /** How many gaps and outlines were cut, and path operations run. */
  readonly gaps: number;
  readonly operations: number;
}

export interface OneColorRequest {
  readonly mark: ResolvedMark;
  readonly palette: Palette;
  readonly paths: PathAlgebra;
  /** Slower, surer: used where the first result does not show what was decided. */
  readonly sure: PathAlgebra;
  readonly wishes: ReadonlyMap<string, OneColorWish>;
  /** A second ink: units nearer to it than to ink and paper are printed in it, and told from the others by their color. */
  readonly second?: Hex | undefined;
  /** Painted light on dark: which parts are decided anew for it, with all that touches them. Everything else stays as it was decided before. */
  readonly onDark?: { readonly anew: ReadonlySet<string>; readonly before: OneColor };
}

const STATE_OF: Readonly<Partial<Record<OneColorWish, State>>> = {
  ink: 'ink',
  clear: 'clear',
  gap: 'ink',
  outline: 'clear',
  hatched: 'hatched',
  counterchanged: 'counterchanged',
};

/** What treatments say of what they add. */
const TREATED_AS = { hatched: 'hatched', open: 'clear' } as const;

/**
 * A mark in one paint, or in two, on true transparency. Where something must read light it is a hole or a gap, never a second paint; what is seen in
 * full color is told apart; nothing vanishes silently.
 * @source the rule “labels”: least cost over what every unit becomes, measured on an item buffer of the full-color mark; its figures stand in docs/one-color.md
 */
export function oneColor({ mark, palette, paths, sure, wishes, second, onDark }: OneColorRequest): OneColor {
  const sheet: Sheet = onDark ? 'dark' : 'light';
  const colors = second === undefined ? 'one color' : 'two colors';
  const text = new Set(mark.parts.filter(({ lettering }) => lettering).map(({ id }) => id));
  const { leaves, units, pictures } = leavesOf(
    mark.drawing,
    paths,
    (part) => text.has(part),
    (part) => wishes.get(part) === 'left-out',
  );
  const notices: Problem[] = pictures.map((part) => ({
    code: 'picture-in-one-color',
    path: [part],
    message: `The picture “${part}” is left out in ${colors}: it would be a box.`,
    fix: 'Cut it to a shape, or bring it in as a drawing.',
  }));
  const box = leaves.reduce<ReturnType<typeof boundsOf>>((sum, { path }) => {
    const own = boundsOf(path);
    if (!own) return sum;
    if (!sum) return own;
    return {
      left: Math.min(sum.left, own.left),
      right: Math.max(sum.right, own.right),
      top: Math.min(sum.top, own.top),
      bottom: Math.max(sum.bottom, own.bottom),
    };
  }, undefined);
  if (!box)
    return {
      areas: [],
      gapPx: 0,
      parts: [],
      notices,
      swapped: 0,
      invented: 0,
      portraits: [],
      decided: [],
      gaps: 0,
      operations: 0,
    };
  const gapPx = Math.max(GAP_OF_MEAN * Math.sqrt(widthOf(box) * heightOf(box)), GAP_OF_LONGER * Math.max(widthOf(box), heightOf(box)));
  const labs = labsOfPalette(palette);
  const [paper, ink] = sheet === 'light' ? [labs.paper, labs.ink] : [labs.ink, labs.paper];
  const seen = itemBuffer(leaves, units, gridOver(box, BUFFER_CELLS), paper, ink);
  const buffer = second === undefined ? seen : inTwoInks(seen, ink, labOf(second), paper);
  const inks = second === undefined ? 1 : 2;
  const fixed = new Map<number, State>();
  const drawn = new Map<number, Wish>();
  for (const unit of units) {
    const wish = wishes.get(unit.part);
    const state = wish ? STATE_OF[wish] : unit.fixed && TREATED_AS[unit.fixed];
    if (state) fixed.set(unit.index, state);
    if (wish === 'gap' || wish === 'outline') drawn.set(unit.index, wish);
  }
  if (onDark) {
    const anew = touching(onDark.anew, buffer);
    onDark.before.decided.forEach((state, unit) => !anew.has(unit) && !fixed.has(unit) && fixed.set(unit, state));
  }
  const states = decide(buffer, gapPx, fixed, sheet);
  const first = buildOneColor(leaves, buffer, states, gapPx, inks, paths, drawn);
  const built = shows(first.areas, buffer, states, gapPx) ? first : buildOneColor(leaves, buffer, states, gapPx, inks, sure, drawn);
  const parts = judged(built.areas, buffer, states, gapPx);
  for (const part of parts)
    if (part.shareOfInk >= SMALL_SHARE && part.told < TOLD_SHARE)
      notices.push({
        code: part.told < VANISHED_SHARE ? 'vanishes-in-one-color' : 'faint-in-one-color',
        path: [part.part],
        message: `In ${colors} ${Math.round(part.told * 100)} % of the outline of “${part.part}” can be told apart.`,
        fix: 'Choose for it: ink, clear, a gap, an outline.',
      });
  return {
    areas: built.areas,
    gapPx,
    parts,
    notices,
    swapped: swappedShare(buffer, states, sheet),
    invented: inventedShare(built.areas, buffer, states, gapPx),
    portraits: portraitsIn(buffer, gapPx),
    decided: states,
    gaps: built.gaps,
    operations: built.operations,
  };
}

/** The units of parts, and of whatever borders on them or on what does. */
function touching(parts: ReadonlySet<string>, { units, borders }: ItemBuffer): ReadonlySet<number> {
  const beside = new Map<number, number[]>();
  const join = (one: number, other: number) => beside.set(one, [...(beside.get(one) ?? []), other]);
  for (const { one, other } of borders) {
    if (one < 0 || other < 0) continue;
    join(one, other);
    join(other, one);
  }
  const found = new Set<number>();
  const next = units.flatMap(({ index, part }) => (parts.has(part) ? [index] : []));
  for (let unit = next.pop(); unit !== undefined; unit = next.pop()) {
    if (found.has(unit)) continue;
    found.add(unit);
    next.push(...(beside.get(unit) ?? []));
  }
  return found;
}

/** Lightness differs by this much, OKLab, along a strong border. */
const STRONG = 0.2;
function swappedShare({ borders }: ItemBuffer, states: readonly State[], sheet: Sheet): number {
  const order = sheet === 'light' ? 1 : -1;
  const inkOf = (unit: number): number => (unit < 0 ? 0 : states[unit] === 'ink' ? 1 : states[unit] === 'clear' ? 0 : 0.5);
  let [all, swapped] = [0, 0];
  for (const { one, other, length, lighter } of borders) {
    if (Math.abs(lighter) < STRONG) continue;
    all += length;
    if ((inkOf(one) - inkOf(other)) * lighter * order > 0) swapped += length;
  }
  return all === 0 ? 0 : swapped / all;
}

/** A part is a portrait from this many gaps on of strong borders between its own colors. */
const PORTRAIT_GAPS = 8;
function portraitsIn({ borders, units }: ItemBuffer, gapPx: number): readonly string[] {
  const lengths = new Map<string, number>();
  for (const { one, other, length, lighter } of borders) {
    const part = units[one]?.part;
    if (part === undefined || part !== units[other]?.part || Math.abs(lighter) < STRONG) continue;
    lengths.set(part, (lengths.get(part) ?? 0) + length);
  }
  return [...lengths].filter(([, length]) => length > PORTRAIT_GAPS * gapPx).map(([part]) => part);
}

/** Colors nearer than this, OKLab, have no border that is seen. */
const SEEN_BORDER = 0.02;

/** Edges of the result with no border of the full-color mark within reach, as a share of all its edges. */
function inventedShare(areas: readonly Region[], buffer: ItemBuffer, states: readonly State[], gapPx: number): number {
  const { grid, owners, colors } = buffer;
  const cells = inkedCells(areas, buffer);
  const reach = Math.max(1, Math.round((1.3 * gapPx) / grid.cell));
  const differs = (one: number, other: number) =>
    Math.hypot(...[0, 1, 2].map((k) => (colors[one * 3 + k] as number) - (colors[other * 3 + k] as number))) >= SEEN_BORDER;
  const border = new Uint8Array(owners.length);
  for (let at = 0; at < owners.length; at++) {
    if ((at + 1) % grid.columns !== 0 && differs(at, at + 1)) border[at] = border[at + 1] = 1;
    if (at + grid.columns < owners.length && differs(at, at + grid.columns)) border[at] = border[at + grid.columns] = 1;
  }
  const near = (at: number): boolean => {
    const [row, column] = [Math.floor(at / grid.columns), at % grid.columns];
    for (let r = Math.max(0, row - reach); r <= Math.min(grid.rows - 1, row + reach); r++)
      for (let c = Math.max(0, column - reach); c <= Math.min(grid.columns - 1, column + reach); c++)
        if (border[r * grid.columns + c] === 1) return true;
    return false;
  };
  const hatched = (at: number) => states[owners[at] as number] === 'hatched';
  let [edges, invented] = [0, 0];
  const visit = (at: number, next: number): void => {
    if (cells[at] === cells[next] || hatched(at) || hatched(next)) return;
    edges++;
    if (!near(at)) invented++;
  };
  for (let at = 0; at < owners.length; at++) {
    if ((at + 1) % grid.columns !== 0) visit(at, at + 1);
    if (at + grid.columns < owners.length) visit(at, at + grid.columns);
  }
  return edges === 0 ? 0 : invented / edges;
}

/**
 * Whether the area shows what was decided: inked units inked, clear ones clear, and nothing on the ground. Only cells are asked that lie deeper in their
 * unit than a gap reaches: what a gap takes from small pieces was decided, too.
 */
function shows(areas: readonly Region[], buffer: ItemBuffer, states: readonly State[], gapPx: number): boolean {
  const cells = inkedCells(areas, buffer);
  const depths = depthsIn(buffer);
  const reach = gapPx / buffer.grid.cell + 1;
  const inked = buffer.units.map(() => 0);
  const all = buffer.units.map(() => 0);
  let [ground, spilled] = [0, 0];
  buffer.owners.forEach((owner, at) => {
    const isInk = cells[at] !== 0;
    if (owner < 0) {
      ground++;
      if (isInk) spilled++;
      return;
    }
    if ((depths[at] as number) <= reach) return;
    all[owner] = (all[owner] ?? 0) + 1;
    if (isInk) inked[owner] = (inked[owner] ?? 0) + 1;
  });
  if (spilled > 0.002 * Math.max(1, ground)) return false;
  return buffer.units.every(({ index }) => {
    const whole = all[index] ?? 0;
    // Too little for the buffer to say.
    if (whole < 30) return true;
    const share = (inked[index] ?? 0) / whole;
    return states[index] === 'ink' ? share >= 0.6 : states[index] === 'clear' ? share <= 0.6 : true;
  });
}

/** How far every cell is from the nearest border between two owners, in cells. */
function depthsIn({ grid: { columns, rows }, owners }: ItemBuffer): Float32Array {
  const within = new Uint8Array(owners.length).fill(1);
  const meet = (at: number, next: number): void => {
    if (owners[at] !== owners[next]) within[at] = within[next] = 0;
  };
  for (let at = 0; at < owners.length; at++) {
    if ((at + 1) % columns !== 0) meet(at, at + 1);
    if (at + columns < owners.length) meet(at, at + columns);
  }
  return distanceInside(within, columns, rows);
}

/** How well every part is told apart: along the borders that are seen in full color, whether ink and no ink, or two inks, meet within a gap of them. */
function judged(areas: readonly Region[], buffer: ItemBuffer, states: readonly State[], gapPx: number): readonly OneColorPart[] {
  const { grid, owners, colors, units } = buffer;
  const cells = inkedCells(areas, buffer);
  const reach = Math.max(1, Math.round((1.3 * gapPx) / grid.cell));
  const meets = (at: number): boolean => {
    const [row, column] = [Math.floor(at / grid.columns), at % grid.columns];
    for (let r = Math.max(0, row - reach); r <= Math.min(grid.rows - 1, row + reach); r++)
      for (let c = Math.max(0, column - reach); c <= Math.min(grid.columns - 1, column + reach); c++)
        if (cells[r * grid.columns + c] !== cells[at]) return true;
    return false;
  };
  const far = (one: number, other: number): boolean =>
    Math.hypot(...[0, 1, 2].map((k) => (colors[one * 3 + k] as number) - (colors[other * 3 + k] as number))) >= 0.02;
  const tally = units.map(() => ({ seen: 0, told: 0 }));
  const visit = (at: number, next: number): void => {
    const [one, other] = [owners[at] as number, owners[next] as number];
    if (one === other || !far(at, next)) return;
    const told = meets(at) ? 1 : 0;
    for (const unit of [one, other]) {
      const own = tally[unit];
      if (!own) continue;
      own.seen++;
      own.told += told;
    }
  };
  for (let at = 0; at < owners.length; at++) {
    if ((at + 1) % grid.columns !== 0) visit(at, at + 1);
    if (at + grid.columns < owners.length) visit(at, at + grid.columns);
  }
  const ink = units.reduce((sum, unit) => sum + unit.area, 0) || 1;
  const byPart = new Map<string, (typeof units)[number][]>();
  for (const unit of units) byPart.set(unit.part, [...(byPart.get(unit.part) ?? []), unit]);
  return [...byPart].map(([part, own]) => {
    const sorted = [...own].sort((a, b) => b.area - a.area);
    const seen = own.reduce((sum, { index }) => sum + (tally[index]?.seen ?? 0), 0);
    const told = own.reduce((sum, { index }) => sum + (tally[index]?.told ?? 0), 0);
    return {
      part,
      states: sorted.map(({ index }) => states[index] ?? 'ink'),
      told: seen === 0 ? 1 : told / seen,
      shareOfInk: own.reduce((sum, { area: each }) => sum + each, 0) / ink,
    };
  });
}

/** The drawing of a mark in its inks. */
export const paintedOnce = ({ areas }: OneColor, inks: readonly Hex[]): Drawing => {
  const children = areas.flatMap(({ path, rule }, at) =>
    path.verbs === '' ? [] : [{ kind: 'fill' as const, path, rule, color: inks[at] ?? inks[0] ?? '#000000', opacity: 1 }],
  );
  return {
    groups: children.length === 0 ? [] : [{ kind: 'group', id: 'one-color', transform: IDENTITY, opacity: 1, blend: 'normal', children }],
  };
};

/** Which of two inks every unit is printed in: its tone is then counted from paper to that ink. */
function inTwoInks(buffer: ItemBuffer, ink: Lab, second: Lab, paper: Lab): ItemBuffer {
  const units = buffer.units.map((unit) => {
    const [toInk, toSecond, toPaper] = [ink, second, paper].map((lab) => distanceOf(unit.seen, lab)) as [number, number, number];
    if (toInk <= toSecond) return unit;
    return { ...unit, ink: 1, tone: toPaper / notNought(toPaper + toSecond) };
  });
  return { ...buffer, units };
}
