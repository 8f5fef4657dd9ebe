import { z } from 'zod';
import { extrude, flatten, shrunk, thicknessOf, translation, type PathAlgebra, type Region } from '../../geometry';
import { paintSchema } from '../drawing/paint';
import { cutLeaves, faceArea, painted } from '../treating/layers';
import { angleDeg, lengthPx, treatmentBase, type TreatmentKind } from '../treating/treatment';
import { FINEST_PX } from '../../numeric/tolerances';

export const inlineSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('inline'),
  widthPx: lengthPx(0.1, 500).default(3),
  /** Shaded: how far the line is thickened to one side. */
  shadePx: lengthPx(0, 500).default(0),
  angleDeg: angleDeg.default(135),
  /** Kept solid along the edge, whatever else. */
  rimPx: lengthPx(0, 500).default(1.5),
  cut: z.boolean().default(true),
  paint: paintSchema.default({ role: 'paper' }),
});

/** The share of the outline, thinnest first, at which main strokes are measured: in faces of high contrast half of it bounds hairlines. */
const MAIN_STROKES = 0.8;

/**
 * A line along the middle of the main strokes: what is left of an area drawn in from its edge by half of them, less half of the line.
 * Thicker places open wider, hairlines stay solid, as in inline faces.
 */
function middleLine(area: Region, width: number, paths: PathAlgebra): Region | undefined {
  const size = area.path.coords.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  const thickness = thicknessOf(flatten(area.path, Math.max(FINEST_PX, size / 3000)));
  if (!thickness) return undefined;
  const stems = thickness.places.filter(({ end }) => !end);
  const wanted = MAIN_STROKES * stems.reduce((sum, { length }) => sum + length, 0);
  let passed = 0;
  const stem = stems.find(({ length }) => (passed += length) >= wanted)?.thickness ?? thickness.median;
  if (stem <= width) return undefined;
  const line = shrunk(area, (stem - width) / 2, paths);
  return line.path.verbs === '' ? undefined : line;
}

/** A light line inside of every stroke, plain or thickened to one side as if it were cut into the stroke. */
export const inline: TreatmentKind<typeof inlineSchema> = {
  schema: inlineSchema,
  label: 'Inline',
  words: ['inline', 'shaded inline', 'center line', 'middle line', 'open face', 'highlight'],
  hint: 'A line along the middle of every stroke, plain or shaded to one side',
  describe: ({ widthPx, shadePx }) => `${widthPx} px${shadePx > 0 ? ' · shaded' : ''}`,
  controls: [
    { type: 'number', field: 'widthPx', label: 'Width', unit: 'px', hint: 'How wide the line is in a typical stroke' },
    { type: 'number', field: 'shadePx', label: 'Shade', unit: 'px', hint: 'How far the line is thickened to one side' },
    {
      type: 'number',
      field: 'angleDeg',
      label: 'Angle',
      unit: '°',
      hint: 'To which side: 0 to the right, 90 down',
      when: ({ shadePx }) => Number(shadePx) > 0,
    },
    { type: 'number', field: 'rimPx', label: 'Solid edge', unit: 'px', hint: 'What always stays solid along the edge' },
    { type: 'tick', field: 'cut', label: 'Cut out', hint: 'A true hole, so that whatever lies behind shows through' },
    { type: 'paint', field: 'paint', label: 'Color', hint: 'What the line is painted with', when: ({ cut }) => cut === false },
  ],
  inOneColor: 'kept',
  quick: 'unchecked',
  treat: (inline, layers, { paths }) => {
    const area = faceArea(layers, paths);
    const line = middleLine(area, inline.widthPx, paths);
    if (!line)
      return area.path.verbs === ''
        ? layers
        : {
            ...layers,
            notices: [
              { code: 'line-too-wide', message: 'The strokes are not wider than the line inside of them.', fix: 'Make the line thinner.' },
            ],
          };
    const turn = (inline.angleDeg * Math.PI) / 180;
    const shaded =
      inline.shadePx > 0 ? extrude(line, translation(inline.shadePx * Math.cos(turn), inline.shadePx * Math.sin(turn)), paths) : line;
    const made = inline.shadePx > 0 ? paths.combine('intersect', shaded, shrunk(area, inline.rimPx, paths)) : shaded;
    if (inline.cut) return { ...layers, face: cutLeaves(layers.face, 'subtract', () => made, paths) };
    return { ...layers, front: [...layers.front, ...painted(made, inline.paint)] };
  },
};
