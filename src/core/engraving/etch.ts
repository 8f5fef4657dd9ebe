import { notNought } from '../numeric/tolerances';
import {
  boundsOf,
  distanceInside,
  fillRows,
  gridOver,
  heightOf,
  joinPaths,
  opened,
  widthOf,
  type CellGrid,
  type Path,
  type Region,
} from '../geometry';
import { fieldOutline } from '../fields/field-outline';
import { cushion } from './height';

/** How an area is engraved. Lengths are in the area's own unit. */
export interface Etching {
  /** From one line to the next where the ground is flat. */
  readonly pitch: number;
  /** Which way the lines run where the ground is flat, clockwise on screen. */
  readonly angleDeg: number;
  /** How far the height bends the lines: 0 leaves them straight. */
  readonly bend: number;
  /** How high the area rises: 1 is as a cushion as high as it is half wide. */
  readonly relief: number;
  /** Where the light comes from, clockwise on screen from the right, and how high it stands. */
  readonly light: { readonly fromDeg: number; readonly heightDeg: number };
  /** Whether dark places are crossed by a second row of lines. */
  readonly crossed: boolean;
  /** How dark the whole is: 0 as the light has it, from −1 to 1. */
  readonly tone: number;
  /** No line is thinner. */
  readonly thinnest: number;
  /** Kept solid along the edge. */
  readonly rim: number;
  /** Whether a quick picture is enough: a quarter of the cells. */
  readonly quick?: boolean;
}

/** Cells from one line to the next, at least: fewer would show as steps. */
const CELLS_A_LINE = 8;
/** Cells on the longer side, at least and at most. */
const CELLS = { least: 160, most: 900 } as const;
/** What of the pitch is inked at the brightest and the darkest place. */
const BRIGHTEST = 0.05;
const DARKEST = 0.8;
/** Darker than this is crossed. */
const CROSSED_FROM = 0.62;
/** The second row runs at this angle to the first. */
const CROSSED_BY_DEG = 62;
/** Limbs thinner than so many pitches get finer lines, those thinner than the second number stay solid. */
const THIN = { finer: 3, solid: 1.1 } as const;
/** Lines that lie denser than this, in lines for one, can no longer be told apart and are left out or run together. */
const DENSEST = 2.6;
/** Outlines of lines are simplified by at most this, in cells. */
const WITHIN_CELLS = 0.32;
/** Specks of less than this share of a squared pitch are left out. */
const SPECK = 0.14;

/** The share of a period that lies nearer to its middle than a place does: 0 on the middle of a line, 1 between two. */
const fromLine = (phase: number): number => Math.abs(phase - Math.floor(phase) - 0.5) * 2;

interface Field {
  readonly grid: CellGrid;
  readonly inside: Float32Array;
  readonly height: Float32Array;
}

function fieldOf(area: Region, { pitch, quick = false }: Etching): Field | undefined {
  const box = boundsOf(area.path);
  if (!box) return undefined;
  const side = Math.max(widthOf(box), heightOf(box));
  if (!(side > 0)) return undefined;
  const cells = Math.min(CELLS.most, Math.max(CELLS.least, (side / pitch) * CELLS_A_LINE)) / (quick ? 2 : 1);
  const grid = gridOver(box, Math.round(cells));
  // Lines are turned, bent and lit over one field: it is kept for the areas that were engraved last.
  const kept = recent.find((one) => one.path === area.path && one.field.grid.cell === grid.cell);
  if (kept) return kept.field;
  const mask = new Uint8Array(grid.columns * grid.rows);
  fillRows(area, grid, (row, from, to) => mask.fill(1, row * grid.columns + from, row * grid.columns + to));
  const field = { grid, inside: distanceInside(mask, grid.columns, grid.rows), height: cushion(mask, grid.columns, grid.rows) };
  recent.unshift({ path: area.path, field });
  while (recent.length > 1 && recent.reduce((sum, { field: { height } }) => sum + height.length, 0) > KEPT_CELLS) recent.pop();
  return field;
}
const recent: { readonly path: Path; readonly field: Field }[] = [];
/** Fields take eight bytes a cell: so many are kept, of one large piece or of a word of letters. */
const KEPT_CELLS = 3_000_000;

/** How dark every place is under the light, and how steep the ground is there, along the normals of the height. */
function shading(
  { grid: { columns }, inside, height }: Field,
  { relief, light, tone }: Etching,
): { readonly dark: Float32Array; readonly slopeX: Float32Array; readonly slopeY: Float32Array } {
  const [dark, slopeX, slopeY] = [new Float32Array(height.length), new Float32Array(height.length), new Float32Array(height.length)];
  const [from, up] = [(light.fromDeg * Math.PI) / 180, (light.heightDeg * Math.PI) / 180];
  const [lx, ly, lz] = [Math.cos(up) * Math.cos(from), Math.cos(up) * Math.sin(from), Math.sin(up)];
  for (let cell = columns; cell < height.length - columns; cell++) {
    if (!inside[cell]) continue;
    const dx = ((height[cell + 1] as number) - (height[cell - 1] as number)) / 2;
    const dy = ((height[cell + columns] as number) - (height[cell - columns] as number)) / 2;
    [slopeX[cell], slopeY[cell]] = [dx, dy];
    const length = Math.hypot(relief * dx, relief * dy, 1);
    const lit = (-relief * dx * lx - relief * dy * ly + lz) / length;
    dark[cell] = Math.min(1, Math.max(0, 0.97 - lit + tone * 0.5));
  }
  return { dark, slopeX, slopeY };
}

/**
 * A filled area as an engraving: parallel lines bent by an imagined height, which swell in the shade and taper in the light, crossed in the darks.
 * Limbs thinner than three pitches get lines twice as fine, still thinner ones stay solid. The rim is the caller's: nothing is inked
 * outside of the area drawn in by half of a rim.
 * @param area welded
 * @returns the lines as smooth closed curves, in the area's own plane
 * @source line art by a height and a light, after D. Ostromoukhov, "Digital facial engraving", SIGGRAPH 1999 (thresholds of a phase field); height as
 * `cushion` says. Error: lines stand within a quarter of a cell, a cell being at most an eighth of the pitch
 */
export function etchedLines(area: Region, etching: Etching): Region {
  const field = fieldOf(area, etching);
  if (!field) return { path: { verbs: '', coords: [] }, rule: 'evenodd' };
  const { grid, inside, height } = field;
  const { columns, rows, cell } = grid;
  const pitch = etching.pitch / cell;
  const thinnest = etching.thinnest / cell;
  const rim = Math.max(1.2, etching.rim / cell / 2);
  const { dark, slopeX, slopeY } = shading(field, etching);
  const wide = opened(inside, columns, rows, (THIN.finer * pitch) / 2);
  const narrow = opened(inside, columns, rows, (THIN.solid * pitch) / 2);
  const values = new Float32Array(columns * rows).fill(-1);
  /** Lines of one direction: how far inside of a line every place lies. */
  const ways = [
    { turn: etching.angleDeg, from: 0 },
    ...(etching.crossed ? [{ turn: etching.angleDeg + CROSSED_BY_DEG, from: CROSSED_FROM }] : []),
  ];
  for (const { turn, from } of ways) {
    const angle = (turn * Math.PI) / 180;
    const [acrossX, acrossY] = [-Math.sin(angle), Math.cos(angle)];
    for (let y = 1; y < rows - 1; y++)
      for (let x = 1; x < columns - 1; x++) {
        const at = y * columns + x;
        if ((inside[at] as number) <= 0) continue;
        if (!narrow[at]) {
          values[at] = 1;
          continue;
        }
        const fine = wide[at] ? 1 : 2;
        const phase = (fine * (x * acrossX + y * acrossY - etching.bend * (height[at] as number))) / pitch;
        const gradient = Math.hypot(acrossX - etching.bend * (slopeX[at] as number), acrossY - etching.bend * (slopeY[at] as number));
        // Lines that stand far apart are not made thick by it, those that stand dense not so thin that they break.
        const shade = from === 0 ? (dark[at] as number) : Math.max(0, ((dark[at] as number) - from) / (1 - from)) * 0.8;
        let share = Math.min(DARKEST, BRIGHTEST + 0.95 * shade) * Math.min(1, gradient / 0.55);
        const period = pitch / fine / notNought(gradient);
        const least = thinnest / period;
        if (gradient > DENSEST || least > DARKEST) share = shade > 0.5 ? 1 : 0;
        else if (share < least) share = share < least * 0.35 || (from > 0 && share < least * 0.8) ? 0 : least;
        if (from > 0 && shade <= 0) share = 0;
        if (share <= 0) continue;
        const own = share - fromLine(phase);
        if (own > (values[at] as number)) values[at] = own;
      }
  }
  // Nothing leaves the area, nor touches its edge: the rim covers what lies between. The field falls to 0 there evenly, so that lines end clean.
  for (let at = 0; at < values.length; at++) {
    const room = ((inside[at] as number) - rim) / Math.max(1, pitch / 2);
    if (room < (values[at] as number)) values[at] = Math.max(-1, room);
  }
  return fieldOutline(values, grid, WITHIN_CELLS, SPECK * pitch * pitch);
}

/** The rim along an area's edge as the field has it: off by part of a cell, and quick. @param area welded */
export function quickRim(area: Region, etching: Etching): Region {
  const field = fieldOf(area, etching);
  if (!field || area.rule !== 'evenodd') return { path: { verbs: '', coords: [] }, rule: 'evenodd' };
  const inner = fieldOutline(field.inside, field.grid, WITHIN_CELLS, 1, Math.max(0.5, etching.rim / field.grid.cell));
  return { path: joinPaths([area.path, inner.path]), rule: 'evenodd' };
}
