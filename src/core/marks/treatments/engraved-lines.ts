import { z } from 'zod';
import { boundsOf, MOST_STRIPES, shrunk, stripeCount, stripes, type Bounds, type PathAlgebra, type Region } from '../../geometry';
import type { Problem } from '../../result/result';
import { paintSchema } from '../drawing/paint';
import { cutLeaves, faceArea, painted } from '../treating/layers';
import { angleDeg, lengthPx, treatmentBase, type TreatmentKind } from '../treating/treatment';

export const ENGRAVED_FORMS = ['straight', 'waved', 'crossed', 'following'] as const;

export const engravedLinesSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('engraved-lines'),
  form: z.enum(ENGRAVED_FORMS).default('straight'),
  angleDeg: angleDeg.default(0),
  pitchPx: lengthPx(0.2, 1000).default(6),
  thicknessPx: lengthPx(0.1, 1000).default(2),
  /** Waved: how far they swing to either side, and the length of one wave. */
  swingPx: lengthPx(0, 1000).default(3),
  wavePx: lengthPx(1, 2000).default(40),
  /** Kept free inside of the edge. */
  marginPx: lengthPx(0, 1000).default(0),
  /** Cut out of the face rather than painted on it. */
  cut: z.boolean().default(true),
  paint: paintSchema.default({ role: 'paper' }),
});
export type EngravedLines = z.infer<typeof engravedLinesSchema>;

/** Most lines that follow the outline inward. */
const MOST_ROUNDS = 300;

const TOO_MANY: Problem = {
  code: 'lines-too-many',
  message: `That would be more than ${MOST_STRIPES.toLocaleString('en')} lines; none are drawn.`,
  fix: 'Set them farther apart.',
};

/** Lines over a box, or why there are none. */
function over(lines: EngravedLines, box: Bounds, paths: PathAlgebra): Region | undefined {
  const { pitchPx: pitch, angleDeg: angle } = lines;
  if (stripeCount({ angleDeg: angle, pitch }, box) > MOST_STRIPES) return undefined;
  const thickness = Math.min(lines.thicknessPx, pitch);
  const one = stripes(
    { angleDeg: angle, pitch, thickness, ...(lines.form === 'waved' ? { swing: lines.swingPx, waveLength: lines.wavePx } : {}) },
    box,
  );
  if (lines.form !== 'crossed') return one;
  return paths.combine('unite', one, stripes({ angleDeg: angle + 90, pitch, thickness }, box));
}

/** Lines that keep their distance from the outline, one inside the other. */
function following(area: Region, { pitchPx, thicknessPx }: EngravedLines, paths: PathAlgebra): readonly Region[] {
  const found: Region[] = [];
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const from = shrunk(area, (round + 0.5) * pitchPx - thicknessPx / 2, paths);
    if (from.path.verbs === '') break;
    found.push(paths.combine('subtract', from, shrunk(area, (round + 0.5) * pitchPx + thicknessPx / 2, paths)));
  }
  return found;
}

const asOne = (regions: readonly Region[], paths: PathAlgebra): Region =>
  regions.length === 1 ? (regions[0] as Region) : paths.weld(regions);

/** Fine lines all over, cut as a burin would or painted. */
export const engravedLines: TreatmentKind<typeof engravedLinesSchema> = {
  schema: engravedLinesSchema,
  label: 'Engraved lines',
  words: ['engraving', 'hatch', 'hatching', 'lines', 'stripes', 'etching', 'banknote', 'shading lines'],
  hint: 'Fine lines all over: straight, waved, crossed or along the outline, cut out or painted',
  describe: (lines) => `${lines.form}, every ${lines.pitchPx} px`,
  controls: [
    {
      type: 'choice',
      field: 'form',
      label: 'Lines',
      hint: 'Straight, waved, crossed, or along the outline',
      options: [
        { value: 'straight', label: 'straight' },
        { value: 'waved', label: 'waved' },
        { value: 'crossed', label: 'crossed' },
        { value: 'following', label: 'along the outline' },
      ],
    },
    {
      type: 'number',
      field: 'angleDeg',
      label: 'Angle',
      unit: '°',
      hint: 'Which way the lines run; 0 is level',
      when: ({ form }) => form !== 'following',
    },
    { type: 'number', field: 'pitchPx', label: 'Pitch', unit: 'px', step: 0.5, hint: 'From one line to the next' },
    { type: 'number', field: 'thicknessPx', label: 'Thickness', unit: 'px', step: 0.5, hint: 'How thick one line is' },
    {
      type: 'number',
      field: 'swingPx',
      label: 'Swing',
      unit: 'px',
      hint: 'How far a wave swings to either side',
      when: ({ form }) => form === 'waved',
    },
    { type: 'number', field: 'wavePx', label: 'Wave', unit: 'px', hint: 'How long one wave is', when: ({ form }) => form === 'waved' },
    { type: 'number', field: 'marginPx', label: 'Quiet edge', unit: 'px', hint: 'What is kept free of lines inside of the edge' },
    { type: 'tick', field: 'cut', label: 'Cut out', hint: 'True holes, so that whatever lies behind shows through' },
    { type: 'paint', field: 'paint', label: 'Color', hint: 'What the lines are painted with', when: ({ cut }) => cut === false },
  ],
  handles: [{ type: 'turn', angle: 'angleDeg' }],
  inOneColor: 'kept',
  treat: (lines, layers, { paths }) => {
    const inside = (area: Region): Region => shrunk(area, lines.marginPx, paths);
    let tooMany = false;
    const drawnIn = (area: Region): Region | undefined => {
      if (lines.form === 'following') {
        const rounds = following(inside(paths.weld([area])), lines, paths);
        return rounds.length === 0 ? undefined : asOne(rounds, paths);
      }
      const box = boundsOf(area.path);
      const made = box && over(lines, box, paths);
      tooMany ||= box !== undefined && made === undefined;
      return made;
    };
    const notices = () => (tooMany ? { notices: [TOO_MANY] } : {});
    if (lines.cut) {
      const face = cutLeaves(
        layers.face,
        'subtract',
        (leaf) => {
          const made = drawnIn(leaf);
          return made && lines.form !== 'following' && lines.marginPx > 0
            ? paths.combine('intersect', made, inside(paths.weld([leaf])))
            : made;
        },
        paths,
      );
      return { ...layers, face, ...notices() };
    }
    const area = faceArea(layers, paths);
    const made = drawnIn(area);
    const shown = made && (lines.form === 'following' ? made : paths.combine('intersect', inside(area), made));
    return { ...layers, front: [...layers.front, ...(shown ? painted(shown, lines.paint) : [])], ...notices() };
  },
};
