import { z } from 'zod';
import { boundsOf, invert, mapPath, type Region } from '../../geometry';
import type { Problem } from '../../result/result';
import type { Knit } from '../drawing/laid';
import { paintSchema } from '../drawing/paint';
import type { PaintedNode } from '../drawing/painted';
import { wholeStitches } from '../laying';
import { faceArea, mapLeaves } from '../treating/layers';
import { lengthPx, percent, treatmentBase, type Layers, type TreatContext, type Treated, type TreatmentKind } from '../treating/treatment';

export const knittedSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('knitted'),
  /** Width of a stitch. */
  pitchPx: lengthPx(0.5, 500).default(4),
  /** Height of a row, in percent of a stitch's width. */
  rowPercent: z.number().min(30).max(200).default(78),
  /** How thick the yarn is, in percent of what leaves no gap. */
  yarnPercent: z.number().min(20).max(100).default(86),
  /** Whole stitches make the outline, as on real knitting, or the outline cuts them: then nothing is lost, however thin. */
  edge: z.enum(['whole', 'cut']).default('cut'),
  /** What lies between the stitches: the yarn's color in shade, or nothing. */
  ground: z.enum(['open', 'filled']).default('filled'),
  paint: paintSchema.default({ role: 'ink' }),
  groundPercent: percent.default(45),
});
export type KnittedTreatment = z.infer<typeof knittedSchema>;

/** More stitches than these are not made: the stitches are made larger instead. */
const MOST = 6000;

function knit(own: KnittedTreatment, layers: Layers, { paths }: TreatContext, quick = false): Treated {
  const area = faceArea(layers, paths);
  const box = boundsOf(area.path);
  if (!box) return layers;
  const [wide, high] = [box.right - box.left, box.bottom - box.top];
  const pitch = Math.max(own.pitchPx, Math.sqrt((wide * high) / (MOST * (own.rowPercent / 100))));
  const row = (pitch * own.rowPercent) / 100;
  const [columns, rows] = [Math.max(1, Math.ceil(wide / pitch)), Math.max(1, Math.ceil(high / row))];
  // Rows and stitches stand in the middle of what they fill.
  const [left, top] = [box.left - (columns * pitch - wide) / 2, box.top - (rows * row - high) / 2];
  const rowsAt = { left, top, pitch, row, yarn: own.yarnPercent / 100 };
  let [seen, lost] = [0, 0];
  const face = mapLeaves(layers.face, (leaf, map): readonly PaintedNode[] => {
    const back = invert(map);
    if (leaf.kind === 'picture' || !back) return [leaf];
    // Yarn shaded with its own color would be one with what lies between.
    const paint = samePaint(own.paint, leaf.paint) ? LIGHT : own.paint;
    const shade = own.ground === 'filled' ? { shade: { paint, opacity: own.groundPercent / 100 } } : {};
    const stitches: Knit = { ...rowsAt, ...shade, map, ...(quick ? { seenThrough: true as const } : {}) };
    const there: Region = { path: mapPath(leaf.path, map), rule: leaf.rule };
    if (own.edge === 'cut') {
      seen++;
      return [{ ...leaf, laid: { ...leaf.laid, knit: stitches } }];
    }
    const made = wholeStitches(there, stitches);
    if (made.path.verbs === '') {
      lost++;
      return [];
    }
    seen++;
    const whole: Region = { path: mapPath(made.path, back), rule: made.rule };
    return [{ ...leaf, ...whole, laid: { ...leaf.laid, knit: { ...stitches, whole } } }];
  });
  if (lost === 0 && seen > 0) return { ...layers, face };
  return { ...layers, face, notices: [seen > 0 ? SOME_NOT_KNITTED : NOTHING_KNITTED] };
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
  treat: (own, layers, context) => knit(own, layers, context),
  quick: (own, layers, context) => knit(own, layers, context, true),
};

/** What lies between stitches whose yarn is of the shade's own color. */
const LIGHT = { role: 'paper' } as const;
const samePaint = (one: object, other: object): boolean => JSON.stringify(one) === JSON.stringify(other);

const SOME_NOT_KNITTED: Problem = {
  code: 'some-not-knitted',
  message: 'Some of it is too thin for whole stitches, and is not seen.',
  fix: 'Make the stitches smaller, or let the outline cut them.',
};
const NOTHING_KNITTED: Problem = {
  code: 'nothing-knitted',
  message: 'No whole stitch fits into its strokes, so that nothing of it is seen.',
  fix: 'Make the stitches smaller, or let the outline cut them.',
};
