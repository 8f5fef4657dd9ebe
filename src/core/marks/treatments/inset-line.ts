import { z } from 'zod';
import { JOINS, shrunk } from '../../geometry';
import { paintSchema } from '../drawing/paint';
import { cutLeaves, faceArea, painted } from '../treating/layers';
import { lengthPx, treatmentBase, type TreatmentKind } from '../treating/treatment';

export const insetLineSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('inset-line'),
  insetPx: lengthPx(0).default(4),
  widthPx: lengthPx(0.1).default(2),
  join: z.enum(JOINS).default('round'),
  /** Cut out of the face rather than painted on it. */
  cut: z.boolean().default(false),
  paint: paintSchema.default({ role: 'paper' }),
});

/** A line inside of the edge that keeps its distance from it. */
export const insetLine: TreatmentKind<typeof insetLineSchema> = {
  schema: insetLineSchema,
  label: 'Inset line',
  words: ['inset', 'inner line', 'inner border', 'inside line'],
  hint: 'A line inside of the edge that keeps its distance from it',
  describe: (line) => `${line.widthPx} px, ${line.insetPx} px in`,
  controls: [
    { type: 'number', field: 'insetPx', label: 'From the edge', unit: 'px', hint: 'How far inside of the outline the line begins' },
    { type: 'number', field: 'widthPx', label: 'Width', unit: 'px', hint: 'How thick the line is' },
    {
      type: 'choice',
      field: 'join',
      label: 'Corners',
      hint: 'How the line goes round a corner',
      options: JOINS.map((value) => ({ value, label: value })),
    },
    { type: 'tick', field: 'cut', label: 'Cut out', hint: 'A true hole, so that whatever lies behind shows through' },
    { type: 'paint', field: 'paint', label: 'Color', hint: 'What the line is painted with', when: ({ cut }) => cut === false },
  ],
  handles: [{ type: 'edge', length: 'insetPx', side: -1 }],
  inOneColor: 'kept',
  quick: 'unchecked',
  treat: (line, layers, { paths }) => {
    const area = faceArea(layers, paths);
    const outer = shrunk(area, line.insetPx, paths, line.join);
    const ring = paths.combine('subtract', outer, shrunk(area, line.insetPx + line.widthPx, paths, line.join));
    const notices =
      area.path.verbs !== '' && ring.path.verbs === ''
        ? [{ code: 'line-too-deep', message: 'Nothing is wide enough for a line that deep inside.', fix: 'Bring it nearer to the edge.' }]
        : [];
    if (line.cut)
      return { ...layers, face: ring.path.verbs === '' ? layers.face : cutLeaves(layers.face, 'subtract', () => ring, paths), notices };
    return { ...layers, front: [...layers.front, ...painted(ring, line.paint)], notices };
  },
};
