import { z } from 'zod';
import { boundsOf, compose, IDENTITY, invert, mapPath, type Affine, type Bounds, type Point, type Region } from '../../geometry';
import { outlinesIn } from '../drawing/drawing';
import { paintSchema } from '../drawing/paint';
import type { PaintedFill, PaintedNode } from '../drawing/painted';
import { runsAlong, runsAround, type ColorRun } from '../treating/color-runs';
import { mapLeaves } from '../treating/layers';
import { percent, treatmentBase, type TreatmentKind } from '../treating/treatment';

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
  return Math.hypot(to.x - from.x, to.y - from.y) < 1e-9 ? undefined : { from, to };
}

/** From the gradient's plane to that of its ends. */
function planeOver({ from, to }: { readonly from: Point; readonly to: Point }): Affine {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  // Both kinds run from 0 to 1 along the first axis; a radial one is a circle about its first end.
  return { a: dx, b: dy, c: -dy, d: dx, e: from.x, f: from.y };
}

/** The pieces of a leaf's colors, found once: what is painted on them changes far more often than where they run. */
const found = new WeakMap<object, Map<string, readonly ColorRun[]>>();
function runsOnce(leaf: object, key: string, make: () => readonly ColorRun[]): readonly ColorRun[] {
  const known = found.get(leaf) ?? new Map<string, readonly ColorRun[]>();
  found.set(leaf, known);
  const runs = known.get(key) ?? make();
  // Ends that are dragged leave many behind; the newest few are enough.
  known.delete(key);
  known.set(key, runs);
  for (const old of known.keys()) if (known.size > 4) known.delete(old);
  return runs;
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
  treat: (gradient, layers, { paths }) => {
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
    const reversed = [...stops].reverse().map((stop) => ({ ...stop, at: 1 - stop.at }));
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
      const { gradient: _before, ...plain } = leaf;
      // What has one color, or one end, is that color: the last one, which lies beyond every end.
      if (box && !ends) oneEnd = true;
      if (!ends || !back || stops.length === 1) return [{ ...plain, paint: last.paint, opacity: leaf.opacity * last.opacity }];
      const own = each ? IDENTITY : back;
      const painted = (kind: 'linear' | 'radial', run: Affine, backward?: true): PaintedFill => ({
        ...plain,
        paint: first.paint,
        gradient: { kind, map: compose(own, run), spread: 'pad', stops: backward ? reversed : stops },
      });
      if (form === 'linear' || form === 'radial') return [painted(form, planeOver(ends))];
      const area: Region = { path: each ? leaf.path : mapPath(leaf.path, map), rule: leaf.rule };
      const runs = runsOnce(leaf, JSON.stringify([form, over, opaque, ends, map]), () =>
        form === 'along'
          ? runsAlong(area, { ...ends, opaque }, paths)
          : runsAround(area, { middle: ends.from, toward: ends.to, over, opaque }, paths),
      );
      const pieces = runs.map(({ region, kind, map: run, backward }) => ({
        ...painted(kind, run, backward),
        opacity: 1,
        path: mapPath(region.path, own),
        rule: region.rule,
      }));
      return [{ kind: 'group', id: '', transform: IDENTITY, opacity: leaf.opacity, blend: 'normal', pieces: true, children: pieces }];
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
