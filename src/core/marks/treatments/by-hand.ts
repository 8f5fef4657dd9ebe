import { z } from 'zod';
import { BRUSH_NAMES, brushOf, strokeRegion, type BrushName } from '../../brushes';
import { boundsOf, type Bounds, type Region } from '../../geometry';
import { paintSchema } from '../drawing/paint';
import { cutAway, outlinesOf, painted, silhouette } from '../treating/layers';
import { lengthPx, treatmentBase, type Layers, type TreatContext, type TreatmentKind } from '../treating/treatment';

/** Strokes of one treatment, and points of one stroke. */
export const MOST_HAND_STROKES = 150;
export const MOST_STROKE_POINTS = 200;
const HOWS = ['away', 'on', 'inside'] as const;

const coordinate = z.number().min(-100_000).max(100_000);
export const handStrokeSchema = z
  .strictObject({
    how: z.enum(HOWS).default('away'),
    brush: z.enum(BRUSH_NAMES as readonly [BrushName, ...BrushName[]]).default('rough'),
    widthPx: lengthPx(0.5).default(12),
    seed: z.number().int().min(0).max(999_999).default(1),
    paint: paintSchema.default({ role: 'ink' }),
    /** Where the hand went, in the pixels of what is treated. */
    points: z
      .array(z.tuple([coordinate, coordinate]))
      .min(1)
      .max(MOST_STROKE_POINTS),
    /** How hard it pressed at each point, in percent; the whole width where nothing is said. */
    pressures: z.array(z.number().min(1).max(100)).max(MOST_STROKE_POINTS).optional(),
  })
  .refine(({ points, pressures }) => pressures === undefined || pressures.length === points.length, 'Expected one pressure a point');
/** One stroke of an eraser or a brush. */
export type HandStroke = z.infer<typeof handStrokeSchema>;

export const byHandSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('by-hand'),
  strokes: z.array(handStrokeSchema).max(MOST_HAND_STROKES).default([]),
});

/** What a stroke covers; remembered, so that one more stroke costs one stroke. */
const regionOf = ({ brush, widthPx, seed, points, pressures }: HandStroke, { remember }: TreatContext): Region =>
  remember(`stroke ${brush} ${widthPx} ${seed} ${points.join()} ${pressures?.join() ?? ''}`, () =>
    strokeRegion(
      {
        points: points.map(([x, y]) => ({ x, y })),
        ...(pressures ? { pressures: pressures.map((percent) => percent / 100) } : {}),
        ...{ width: widthPx, seed },
      },
      brushOf(brush),
    ),
  );

/** What two regions cover together, by the regions themselves: of strokes one after the other only the newest is united anew. */
const together = new WeakMap<Region, WeakMap<Region, Region>>();
function united(before: Region, region: Region, { paths }: TreatContext): Region {
  const known = together.get(before) ?? new WeakMap<Region, Region>();
  together.set(before, known);
  const made = known.get(region) ?? paths.combine('unite', before, region);
  known.set(region, made);
  return made;
}

const overlap = (one: Bounds, other: Bounds): boolean =>
  one.left < other.right && other.left < one.right && one.top < other.bottom && other.top < one.bottom;

interface Laid {
  readonly stroke: HandStroke;
  readonly region: Region;
  readonly box: Bounds;
}

/** All that some strokes cover, in their order. */
const allOf = (laid: readonly Laid[], context: TreatContext): Region | undefined =>
  laid.reduce<Region | undefined>((before, { region }) => (before ? united(before, region, context) : region), undefined);

/** A painted stroke without what was rubbed out after it. */
function without({ region, box }: Laid, later: readonly Laid[], context: TreatContext): Region {
  const away = allOf(
    later.filter((each) => overlap(each.box, box)),
    context,
  );
  return away ? context.paths.combine('subtract', region, away) : region;
}

const counted = (count: number, one: string, many: string): string => (count === 0 ? '' : count === 1 ? `one ${one}` : `${count} ${many}`);

/** Deliberate roughness: strokes of an eraser and of brushes, each kept as the hand drew it. */
export const byHand: TreatmentKind<typeof byHandSchema> = {
  schema: byHandSchema,
  label: 'By hand',
  words: ['eraser', 'erase', 'rub out', 'brush', 'paint', 'draw', 'hand', 'stroke', 'retouch', 'rough', 'chalk', 'dry brush', 'marker'],
  hint: 'Strokes of an eraser and of brushes, drawn on the stage; each stays live, can be moved, changed and removed',
  describe: ({ strokes }) => {
    const away = strokes.filter(({ how }) => how === 'away').length;
    const said = [counted(away, 'rubbed out', 'rubbed out'), counted(strokes.length - away, 'painted', 'painted')].filter(
      (each) => each !== '',
    );
    return said.join(', ') || 'nothing drawn yet';
  },
  controls: [{ type: 'strokes', field: 'strokes', label: 'Strokes', hint: 'Drawn on the stage, one after the other' }],
  seenInOwnColor: true,
  inOneColor: 'kept',
  treat: ({ strokes }, layers, context) => {
    const { paths } = context;
    // What shows nothing, a line whose words were taken out, has nothing to be worked on.
    if (outlinesOf(layers).length === 0) return layers;
    const laid = strokes.flatMap((stroke): readonly Laid[] => {
      const region = regionOf(stroke, context);
      const box = boundsOf(region.path);
      return box ? [{ stroke, region, box }] : [];
    });
    const rubbed = laid.filter(({ stroke }) => stroke.how === 'away');
    const away = allOf(rubbed, context);
    const cut = (nodes: Layers['face']) => (away ? cutAway(nodes, away, paths) : nodes);
    const inside = laid.some(({ stroke }) => stroke.how === 'inside') ? silhouette(layers, paths) : undefined;
    const paint = laid.flatMap((each, at) => {
      if (each.stroke.how === 'away') return [];
      const seen = without(
        each,
        laid.slice(at + 1).filter(({ stroke }) => stroke.how === 'away'),
        context,
      );
      const there = each.stroke.how === 'inside' && inside && seen.path.verbs !== '' ? paths.combine('intersect', seen, inside) : seen;
      return painted(there, each.stroke.paint);
    });
    return { ...layers, behind: cut(layers.behind), face: cut(layers.face), front: [...cut(layers.front), ...paint] };
  },
};
