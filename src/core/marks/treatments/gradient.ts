import { z } from 'zod';
import { boundsOf, compose, IDENTITY, invert, type Affine, type Bounds, type Point, type Region } from '../../geometry';
import { outlinesIn } from '../drawing/drawing';
import { paintSchema } from '../drawing/paint';
import { plainly, type PaintedFill, type PaintedNode } from '../drawing/painted';
import { mapLeaves } from '../treating/layers';
import { percent, treatmentBase, type TreatmentKind } from '../treating/treatment';
import { NOUGHT } from '../../numeric/tolerances';

const ofBox = z.number().min(-500).max(500);

export const gradientSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('gradient'),
  form: z.enum(['linear', 'radial', 'around', 'along']).default('linear'),
  /** Over the whole picture at once, or over every letter and piece by itself. */
  over: z.enum(['whole', 'each']).default('whole'),
  /**
   * Its ends, in percent of the box it runs over. Radial: its middle, and where its last color begins. Around: its middle, and toward where it begins.
   * Along: the places that its strokes run from and to.
   */
  fromX: ofBox.default(50),
  fromY: ofBox.default(0),
  toX: ofBox.default(50),
  toY: ofBox.default(100),
  stops: z
    .array(z.strictObject({ atPercent: percent, opacityPercent: percent.default(100), paint: paintSchema }))
    .min(1)
    .max(12)
    .default([
      { atPercent: 0, opacityPercent: 100, paint: { role: 'lead' } },
      { atPercent: 100, opacityPercent: 100, paint: { role: 'accent' } },
    ]),
});
export type GradientTreatment = z.infer<typeof gradientSchema>;

/** Its ends over a box; nothing where they are one. */
function endsOver({ fromX, fromY, toX, toY }: GradientTreatment, box: Bounds): { readonly from: Point; readonly to: Point } | undefined {
  const at = (x: number, y: number) => ({
    x: box.left + ((box.right - box.left) * x) / 100,
    y: box.top + ((box.bottom - box.top) * y) / 100,
  });
  const [from, to] = [at(fromX, fromY), at(toX, toY)];
  return Math.hypot(to.x - from.x, to.y - from.y) < NOUGHT ? undefined : { from, to };
}

/** From the gradient's plane to that of its ends. */
function planeOver({ from, to }: { readonly from: Point; readonly to: Point }): Affine {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  // Both kinds run from 0 to 1 along the first axis; a radial one is a circle about its first end.
  return { a: dx, b: dy, c: -dy, d: dx, e: from.x, f: from.y };
}

const FORM_WORDS = { linear: 'along a line', radial: 'outward', around: 'around', along: 'along the strokes' } as const;

/** Colors that pass into one another over the face. */
export const gradient: TreatmentKind<typeof gradientSchema> = {
  schema: gradientSchema,
  label: 'Gradient',
  words: ['gradient', 'fade', 'blend of colors', 'ramp', 'sunset', 'metal'],
  hint: 'Colors of the palette that pass into one another, over the whole or over every letter by itself',
  describe: ({ form, stops, over }) => `${FORM_WORDS[form]}, ${stops.length} colors${over === 'each' ? ', each piece' : ''}`,
  controls: [
    {
      type: 'choice',
      field: 'form',
      label: 'Runs',
      hint: 'Along a line, outward from a middle, around it like a fan, or along the strokes from one end to the other',
      options: [
        { value: 'linear', label: 'along a line' },
        { value: 'radial', label: 'outward' },
        { value: 'around', label: 'around a middle' },
        { value: 'along', label: 'along the strokes' },
      ],
    },
    {
      type: 'choice',
      field: 'over',
      label: 'Over',
      hint: 'The whole at once, or every letter and piece by itself',
      options: [
        { value: 'whole', label: 'the whole' },
        { value: 'each', label: 'each piece' },
      ],
    },
    { type: 'stops', field: 'stops', label: 'Colors', hint: 'The colors it passes through, and where each one stands' },
    { type: 'number', field: 'fromX', label: 'From x', unit: '%', hint: 'Where it begins, across its box' },
    { type: 'number', field: 'fromY', label: 'From y', unit: '%', hint: 'Where it begins, down its box' },
    { type: 'number', field: 'toX', label: 'To x', unit: '%', hint: 'Where it ends, across its box' },
    { type: 'number', field: 'toY', label: 'To y', unit: '%', hint: 'Where it ends, down its box' },
  ],
  handles: [{ type: 'ends', from: ['fromX', 'fromY'], to: ['toX', 'toY'] }],
  inOneColor: 'kept',
  treat: (gradient, layers) => {
    const stops = [...gradient.stops]
      .sort((one, other) => one.atPercent - other.atPercent)
      .map(({ atPercent, opacityPercent, paint }) => ({ at: atPercent / 100, opacity: opacityPercent / 100, paint }));
    const boxes = outlinesIn(layers.face, undefined, true).flatMap(({ path }) => boundsOf(path) ?? []);
    if (boxes.length === 0 || stops.length === 0) return layers;
    const whole: Bounds = {
      left: Math.min(...boxes.map(({ left }) => left)),
      top: Math.min(...boxes.map(({ top }) => top)),
      right: Math.max(...boxes.map(({ right }) => right)),
      bottom: Math.max(...boxes.map(({ bottom }) => bottom)),
    };
    const { form, over } = gradient;
    const [first, last] = [stops[0], stops.at(-1)] as [(typeof stops)[number], (typeof stops)[number]];
    const opaque = stops.every(({ opacity }) => opacity === 1);
    let oneEnd = false;
    const face = mapLeaves(layers.face, (leaf, map): readonly PaintedNode[] => {
      if (leaf.kind === 'picture') return [leaf];
      const back = invert(map);
      // Over each piece, in its own plane; over the whole, in that of the whole.
      const each = over === 'each';
      const box = each ? boundsOf(leaf.path) : whole;
      const ends = box && endsOver(gradient, box);
      const plain = plainly(leaf, first.paint);
      // What has one color, or one end, is that color: the last one, which lies beyond every end.
      if (box && !ends) oneEnd = true;
      if (!ends || !back || stops.length === 1) return [{ ...plain, paint: last.paint, opacity: leaf.opacity * last.opacity }];
      const lies = compose(each ? IDENTITY : back, planeOver(ends));
      const filled: PaintedFill = {
        ...plain,
        gradient: { kind: form === 'radial' ? 'radial' : 'linear', map: lies, spread: 'pad', stops },
      };
      if (form === 'linear' || form === 'radial') return [filled];
      const outline: Region = { path: leaf.path, rule: leaf.rule };
      const bent = { form, over, opaque, ...ends, map: each ? IDENTITY : map, drawn: lies, outline };
      return [{ ...filled, laid: { ...plain.laid, bent } }];
    });
    return {
      ...layers,
      face,
      ...(oneEnd
        ? {
            notices: [
              {
                code: 'gradient-one-end',
                message: 'Both ends of the gradient stand in one place, so that only its last color shows.',
                fix: 'Pull its ends apart.',
              },
            ],
          }
        : {}),
    };
  },
};
