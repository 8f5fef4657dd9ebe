import { z } from 'zod';
import { boundsOf, IDENTITY, invert, mapPath, rotation, stripes, compose, translation, type Affine, type Region } from '../../geometry';
import { outlinesIn } from '../drawing/drawing';
import { paintSchema } from '../drawing/paint';
import { mapLeaves } from '../treating/layers';
import { angleDeg, lengthPx, treatmentBase, type TreatmentKind } from '../treating/treatment';
import { plainly, type PaintedNode } from '../drawing/painted';
import { LINE_PX } from '../../numeric/tolerances';

export const slicesSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('slices'),
  form: z.enum(['bars', 'waves']).default('bars'),
  angleDeg: angleDeg.default(0),
  /** How many cuts there are, evenly over the picture. */
  count: z.number().int().min(1).max(60).default(1),
  gapPx: lengthPx(0, 1000).default(4),
  /** How far every second piece is pushed along the cuts. */
  shiftPx: z.number().min(-2000).max(2000).default(6),
  swingPx: lengthPx(0, 1000).default(6),
  wavePx: lengthPx(2, 2000).default(60),
  /** Every second piece in a paint of its own. */
  second: z.boolean().default(false),
  paint: paintSchema.default({ role: 'accent' }),
});

/** Cut into pieces that are pushed apart; every second one may have a paint of its own. */
export const slices: TreatmentKind<typeof slicesSchema> = {
  schema: slicesSchema,
  label: 'Slices',
  words: ['slice', 'cut', 'sliced', 'split', 'shift', 'glitch', 'bars'],
  hint: 'Cut into pieces along bars or waves and pushed apart',
  describe: ({ count, form }) => `${count} ${count === 1 ? 'cut' : 'cuts'}, ${form}`,
  controls: [
    {
      type: 'choice',
      field: 'form',
      label: 'Cuts',
      hint: 'Straight or waved',
      options: [
        { value: 'bars', label: 'straight' },
        { value: 'waves', label: 'waved' },
      ],
    },
    { type: 'number', field: 'count', label: 'How many', hint: 'How many cuts there are, evenly over the picture' },
    { type: 'number', field: 'angleDeg', label: 'Angle', unit: '°', hint: 'Which way the cuts run; 0 is level' },
    { type: 'number', field: 'gapPx', label: 'Gap', unit: 'px', hint: 'What is left free between the pieces' },
    { type: 'number', field: 'shiftPx', label: 'Pushed by', unit: 'px', hint: 'How far every second piece is pushed along the cuts' },
    {
      type: 'number',
      field: 'swingPx',
      label: 'Swing',
      unit: 'px',
      hint: 'How far a wave swings to either side',
      when: ({ form }) => form === 'waves',
    },
    { type: 'number', field: 'wavePx', label: 'Wave', unit: 'px', hint: 'How long one wave is', when: ({ form }) => form === 'waves' },
    { type: 'tick', field: 'second', label: 'Second color', hint: 'Every second piece has a color of its own' },
    { type: 'paint', field: 'paint', label: 'Color', hint: 'Of every second piece', when: ({ second }) => second === true },
  ],
  handles: [{ type: 'turn', angle: 'angleDeg' }],
  inOneColor: 'kept',
  treat: (cuts, layers, { paths }) => {
    const turned = invert(rotation(cuts.angleDeg)) ?? IDENTITY;
    const boxes = outlinesIn(layers.face, turned, true).flatMap(({ path }) => boundsOf(path) ?? []);
    if (boxes.length === 0) return layers;
    const [top, bottom] = [Math.min(...boxes.map((box) => box.top)), Math.max(...boxes.map((box) => box.bottom))];
    const whole = { left: Math.min(...boxes.map(({ left }) => left)), right: Math.max(...boxes.map(({ right }) => right)), top, bottom };
    const step = (bottom - top) / (cuts.count + 1);
    if (!(step > 0)) return layers;
    const away = translation(
      Math.cos((cuts.angleDeg * Math.PI) / 180) * cuts.shiftPx,
      Math.sin((cuts.angleDeg * Math.PI) / 180) * cuts.shiftPx,
    );
    const waves = cuts.form === 'waves' ? { swing: cuts.swingPx, waveLength: cuts.wavePx } : {};
    const swing = cuts.form === 'waves' ? cuts.swingPx : 0;
    /** The piece between two cuts, in the turned plane: so thick that the first and the last reach beyond the picture. */
    const piece = (index: number): Region => {
      const [first, last] = [index === 0, index === cuts.count];
      const from = first ? top - swing - step : top + index * step + cuts.gapPx / 2;
      const to = last ? bottom + swing + step : top + (index + 1) * step - cuts.gapPx / 2;
      if (to <= from) return { path: { verbs: '', coords: [] }, rule: 'nonzero' };
      const middle = (from + to) / 2;
      const pitch = (to - from) * 1000;
      const line = stripes(
        { angleDeg: 0, pitch, thickness: to - from, phase: middle / pitch, ...waves },
        { ...whole, top: middle - LINE_PX, bottom: middle + LINE_PX },
      );
      return { path: mapPath(line.path, rotation(cuts.angleDeg)), rule: 'nonzero' };
    };
    const pieces = Array.from({ length: cuts.count + 1 }, (_, index) => piece(index));
    const face = mapLeaves(layers.face, (leaf, map): readonly PaintedNode[] => {
      const back = invert(map);
      if (!back) return [leaf];
      const there: Region = { path: mapPath(leaf.path, map), rule: leaf.rule };
      return pieces.flatMap((knife, index): readonly PaintedNode[] => {
        const made = paths.combine('intersect', there, knife);
        if (made.path.verbs === '') return [];
        const odd = index % 2 === 1;
        const moved: Affine = odd ? compose(back, away) : back;
        const cut = { path: mapPath(made.path, moved), rule: made.rule };
        if (leaf.kind === 'picture')
          return [{ ...leaf, ...cut, map: odd ? compose(compose(back, compose(away, map)), leaf.map) : leaf.map }];
        if (!odd || !cuts.second) return [{ ...leaf, ...cut }];
        return [{ ...plainly(leaf, cuts.paint), ...cut }];
      });
    });
    return { ...layers, face };
  },
};
