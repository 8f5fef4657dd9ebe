import { z } from 'zod';
import { coverageOf } from '../../fields';
import { boundsOf, fillRows, IDENTITY, invert, mapPath, PathPen, scaling, type PathAlgebra, type Region } from '../../geometry';
import type { Problem } from '../../result/result';
import { paintSchema } from '../drawing/paint';
import type { PaintedGroup, PaintedNode } from '../drawing/painted';
import { faceArea, mapLeaves, painted } from '../treating/layers';
import { lengthPx, percent, treatmentBase, type TreatmentKind } from '../treating/treatment';

export const knittedSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('knitted'),
  /** Width of a stitch. */
  pitchPx: lengthPx(0.5, 500).default(9),
  /** Height of a row, in percent of a stitch's width. */
  rowPercent: z.number().min(30).max(200).default(78),
  /** How thick the yarn is, in percent of what leaves no gap. */
  yarnPercent: z.number().min(20).max(100).default(86),
  /** Whole stitches make the outline, as on real knitting, or the outline cuts them. */
  edge: z.enum(['whole', 'cut']).default('whole'),
  /** What lies between the stitches: the yarn's color in shade, or nothing. */
  ground: z.enum(['open', 'filled']).default('filled'),
  paint: paintSchema.default({ role: 'ink' }),
  groundPercent: percent.default(45),
});
export type KnittedTreatment = z.infer<typeof knittedSchema>;

/** More stitches than these are not made: the stitches are made larger instead. */
const MOST = 6000;

interface Knitting {
  readonly left: number;
  readonly top: number;
  readonly pitch: number;
  readonly row: number;
  readonly columns: number;
  readonly rows: number;
  readonly yarn: number;
}

/** One stitch of stockinette: two legs that lean toward one another at the foot, and lie beside those of the row above. */
function drawStitch(pen: PathPen, x: number, y: number, { pitch, row, yarn }: Knitting): void {
  const [topX, topY, footX, footY] = [pitch * 0.09, y - row * 0.1, pitch * 0.46, y + row * 1.02];
  const [dx, dy] = [footX - topX, footY - topY];
  const length = Math.hypot(dx, dy);
  // Legs of two rows are this far apart, across; so much room the yarn has.
  const half = (yarn * row * dx) / length / 2;
  // Along the leg and across it, both as shares of one: a rounded bar, fuller toward the top.
  const place = (side: number, along: number, across: number) => {
    const [px, py] = [topX + dx * along - (dy / length) * half * across, topY + dy * along + (dx / length) * half * across];
    return { x: side > 0 ? x + px : x + pitch - px, y: py };
  };
  for (const side of [1, -1]) {
    // Both are drawn the same way around, so that where they meet they are one.
    const at = (along: number, across: number) => place(side, along, across * side);
    const curve = (one: ReturnType<typeof at>, other: ReturnType<typeof at>, to: ReturnType<typeof at>) =>
      pen.cubic(one.x, one.y, other.x, other.y, to.x, to.y);
    const start = at(0, 0);
    pen.move(start.x, start.y);
    curve(at(0, 0.7), at(0.1, 1), at(0.26, 1));
    curve(at(0.6, 1), at(0.85, 0.9), at(1, 0));
    curve(at(0.85, -0.9), at(0.6, -1), at(0.26, -1));
    curve(at(0.1, -1), at(0, -0.7), at(0, 0));
    pen.close();
  }
}

/** A stitch by its place among the others. */
interface Place {
  readonly row: number;
  readonly column: number;
}
/** The grid of stitches, made square: it knows no others. */
const squared = (area: Region, { left, top, pitch, row, columns, rows }: Knitting) => ({
  region: { path: mapPath(area.path, scaling(1, pitch / row)), rule: area.rule },
  grid: { left, top: (top * pitch) / row, cell: pitch, columns, rows },
});

/** Stitches whose middles an area covers. */
function stitchesIn(area: Region, knitting: Knitting): readonly Place[] {
  const { region, grid } = squared(area, knitting);
  const covered = new Uint8Array(grid.columns * grid.rows);
  fillRows(region, grid, (row, from, to) => covered.fill(1, row * grid.columns + from, row * grid.columns + to));
  const found: Place[] = [];
  covered.forEach((is, cell) => is && found.push({ row: Math.floor(cell / grid.columns), column: cell % grid.columns }));
  return found;
}

/** Stitches that an area touches: those that lie in it with all that is around them, and those that its outline may cut. */
function stitchesAt(area: Region, knitting: Knitting): { readonly whole: readonly Place[]; readonly rim: readonly Place[] } {
  const { region, grid } = squared(area, knitting);
  const { columns, rows } = grid;
  const cover = coverageOf(region, grid);
  const at = (row: number, column: number) =>
    row < 0 || column < 0 || row >= rows || column >= columns ? 0 : (cover[row * columns + column] as number);
  const [whole, rim]: [Place[], Place[]] = [[], []];
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const around = [-1, 0, 1].flatMap((down) => [-1, 0, 1].map((across) => at(row + down, column + across)));
      if (around.every((each) => each > 0.999)) whole.push({ row, column });
      else if (around.some((each) => each > 0)) rim.push({ row, column });
    }
  return { whole, rim };
}

/** Stitches at their places, as one outline. */
function drawnAt(places: readonly Place[], knitting: Knitting): Region {
  const { left, top, pitch, row } = knitting;
  const pen = new PathPen();
  for (const place of places) drawStitch(pen, left + place.column * pitch, top + place.row * row, knitting);
  return { path: pen.path(), rule: 'nonzero' };
}

/** Stitches in rows, in the colors of the part. */
export const knitted: TreatmentKind<typeof knittedSchema> = {
  schema: knittedSchema,
  label: 'Knitted',
  words: ['knit', 'knitted', 'wool', 'yarn', 'jumper', 'beanie', 'stitches'],
  hint: 'Made of knitted stitches, row by row, each color in its own yarn',
  describe: ({ pitchPx, edge }) => `${pitchPx} px, ${edge === 'whole' ? 'whole stitches' : 'cut at the edge'}`,
  controls: [
    { type: 'number', field: 'pitchPx', label: 'Stitch', unit: 'px', hint: 'How wide a stitch is' },
    { type: 'number', field: 'rowPercent', label: 'Row', unit: '%', hint: 'How high a row is, in percent of a stitch’s width' },
    { type: 'number', field: 'yarnPercent', label: 'Yarn', unit: '%', hint: 'How thick the yarn is; at 100 it leaves no gap' },
    {
      type: 'choice',
      field: 'edge',
      label: 'Edge',
      hint: 'Whole stitches make the outline, as on real knitting, or the outline cuts them',
      options: [
        { value: 'whole', label: 'whole stitches' },
        { value: 'cut', label: 'cut' },
      ],
    },
    {
      type: 'choice',
      field: 'ground',
      label: 'Between',
      hint: 'Whether something lies between the stitches',
      options: [
        { value: 'filled', label: 'filled' },
        { value: 'open', label: 'open' },
      ],
    },
    {
      type: 'paint',
      field: 'paint',
      label: 'Shade',
      hint: 'What the yarn’s color is shaded with between the stitches',
      when: ({ ground }) => ground === 'filled',
    },
    {
      type: 'number',
      field: 'groundPercent',
      label: 'Depth',
      unit: '%',
      hint: 'How dark it is between the stitches',
      when: ({ ground }) => ground === 'filled',
    },
  ],
  inOneColor: 'kept',
  treat: (own, layers, { paths }) => {
    const area = faceArea(layers, paths);
    const box = boundsOf(area.path);
    if (!box) return layers;
    const [wide, high] = [box.right - box.left, box.bottom - box.top];
    const pitch = Math.max(own.pitchPx, Math.sqrt((wide * high) / (MOST * (own.rowPercent / 100))));
    const row = (pitch * own.rowPercent) / 100;
    const [columns, rows] = [Math.max(1, Math.ceil(wide / pitch)), Math.max(1, Math.ceil(high / row))];
    // Rows and stitches stand in the middle of what they fill.
    const [left, top] = [box.left - (columns * pitch - wide) / 2, box.top - (rows * row - high) / 2];
    const knitting: Knitting = { left, top, pitch, row, columns, rows, yarn: own.yarnPercent / 100 };
    const cut = own.edge === 'cut';
    let count = 0;
    const face = mapLeaves(layers.face, (leaf, map): readonly PaintedNode[] => {
      const back = invert(map);
      if (leaf.kind === 'picture' || !back) return [leaf];
      const there: Region = { path: mapPath(leaf.path, map), rule: leaf.rule };
      const { yarn, between } = cut ? cutStitches(there, knitting, paths) : wholeStitches(there, knitting);
      count += yarn.length;
      const stitches = yarn.map(({ path, rule }) => ({ ...leaf, path: mapPath(path, back), rule }));
      if (own.ground === 'open') return stitches;
      const ground = { ...leaf, path: mapPath(between.path, back), rule: between.rule };
      const shade: PaintedGroup = {
        ...{ kind: 'group', id: '', transform: IDENTITY, opacity: 1, blend: 'normal' },
        // In one color it would fill the gaps that make the stitches.
        oneColor: 'dropped',
        children: [ground, ...painted(ground, own.paint, (leaf.opacity * own.groundPercent) / 100)],
      };
      return [shade, ...stitches];
    });
    return count > 0 ? { ...layers, face } : { ...layers, face, notices: [NOTHING_KNITTED] };
  },
};

const NOTHING_KNITTED: Problem = {
  code: 'nothing-knitted',
  message: 'No whole stitch fits into its strokes, so that nothing of it is seen.',
  fix: 'Make the stitches smaller, or let the outline cut them.',
};

/** What is knitted of an area, and what lies between the stitches. */
interface Knit {
  readonly yarn: readonly Region[];
  readonly between: Region;
}
const drawnOf = (...regions: readonly Region[]) => regions.filter(({ path }) => path.verbs !== '');

function wholeStitches(area: Region, knitting: Knitting): Knit {
  const places = stitchesIn(area, knitting);
  const { left, top, pitch, row } = knitting;
  const pen = new PathPen();
  // What lies between is a little narrower than a row of them.
  places.forEach((place, n) => {
    const isFirst = !follows(places[n - 1], place);
    const isLast = !follows(place, places[n + 1]);
    const [x, right] = [left + (place.column + (isFirst ? 0.12 : 0)) * pitch, left + (place.column + (isLast ? 0.88 : 1)) * pitch];
    const y = top + place.row * row;
    pen.move(x, y).line(right, y);
    pen.line(right, y + row).line(x, y + row);
    pen.close();
  });
  return { yarn: drawnOf(drawnAt(places, knitting)), between: { path: pen.path(), rule: 'nonzero' } };
}
const follows = (one: Place | undefined, other: Place | undefined): boolean =>
  one !== undefined && other !== undefined && one.row === other.row && one.column + 1 === other.column;

function cutStitches(area: Region, knitting: Knitting, paths: PathAlgebra): Knit {
  const { whole, rim } = stitchesAt(area, knitting);
  return { yarn: drawnOf(drawnAt(whole, knitting), paths.combine('intersect', drawnAt(rim, knitting), area)), between: area };
}
