import { z } from 'zod';
import { invert, JOINS, mapPath, shrunk, type Region } from '../../geometry';
import { mapLeaves } from '../treating/layers';
import { lengthPx, treatmentBase, type TreatmentKind } from '../treating/treatment';

export const outlineOnlySchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('outline-only'),
  widthPx: lengthPx(0.1).default(3),
  side: z.enum(['inside', 'centered', 'outside']).default('inside'),
  join: z.enum(JOINS).default('miter'),
});

/** The outline in the paint of what it goes around, which is not filled any more. */
export const outlineOnly: TreatmentKind<typeof outlineOnlySchema> = {
  schema: outlineOnlySchema,
  label: 'Outline only',
  words: ['hollow', 'outlined', 'no fill', 'open letters', 'line only'],
  hint: 'Nothing is filled any more: the outline alone is painted',
  describe: (outline) => `${outline.widthPx} px ${outline.side}`,
  controls: [
    { type: 'number', field: 'widthPx', label: 'Width', unit: 'px', hint: 'How thick the outline is' },
    {
      type: 'choice',
      field: 'side',
      label: 'Stands',
      hint: 'Inside of the edge, on it, or outside of it',
      options: ['inside', 'centered', 'outside'].map((value) => ({ value, label: value })),
    },
    {
      type: 'choice',
      field: 'join',
      label: 'Corners',
      hint: 'How the outline goes round a corner',
      options: JOINS.map((value) => ({ value, label: value })),
    },
  ],
  handles: [{ type: 'edge', length: 'widthPx', side: -1 }],
  inOneColor: 'kept',
  treat: (outline, layers, { paths }) => ({
    ...layers,
    face: mapLeaves(layers.face, (leaf, map) => {
      const back = invert(map);
      if (!back || leaf.path.verbs === '') return [leaf];
      const there: Region = paths.weld([{ path: mapPath(leaf.path, map), rule: leaf.rule }]);
      const made =
        outline.side === 'inside'
          ? paths.combine('subtract', there, shrunk(there, outline.widthPx, paths, outline.join))
          : outline.side === 'centered'
            ? paths.band(there, outline.widthPx, outline.join)
            : paths.combine('subtract', paths.grow(there, outline.widthPx, outline.join), there);
      return made.path.verbs === '' ? [] : [{ ...leaf, path: mapPath(made.path, back), rule: made.rule }];
    }),
  }),
};
