import { z } from 'zod';
import { JOINS, shrunk, withoutHoles, type Region } from '../../geometry';
import { paintSchema } from '../drawing/paint';
import { allGrown, coveredBy, painted, silhouette } from '../treating/layers';
import { lengthPx, treatmentBase, type Layers, type TreatContext, type TreatmentKind } from '../treating/treatment';

export const BAND_SIDES = ['outward', 'inward', 'both'] as const;

export const outlineBandSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('outline-band'),
  side: z.enum(BAND_SIDES).default('outward'),
  widthPx: lengthPx(0.1).default(10),
  join: z.enum(JOINS).default('round'),
  /** Outward: whether it also lies under what it goes around, as one solid shape. */
  solid: z.boolean().default(true),
  /** Whether counters and other holes are closed. */
  closed: z.boolean().default(false),
  paint: paintSchema.default({ role: 'second' }),
});
export type OutlineBand = z.infer<typeof outlineBandSchema>;

function around(band: OutlineBand, layers: Layers, { paths }: TreatContext): Region {
  if (band.side === 'outward' && band.solid) return allGrown(layers, band.widthPx, band.join, paths);
  const area = silhouette(layers, paths);
  if (band.side === 'inward') return paths.combine('subtract', area, shrunk(area, band.widthPx, paths, band.join));
  const line = paths.band(area, 2 * band.widthPx, band.join);
  return band.side === 'both' ? line : paths.combine('subtract', line, area);
}

/** A band that follows the outline: a welding outline behind a whole word, a line inside of its edge. Several of them nest. */
export const outlineBand: TreatmentKind<typeof outlineBandSchema> = {
  schema: outlineBandSchema,
  label: 'Outline band',
  words: ['outline', 'border', 'stroke', 'contour', 'rim', 'band', 'edge'],
  hint: 'A band along the outline, outside of it, inside of it, or both; several nest in one another',
  describe: (band) => `${band.widthPx} px ${band.side}`,
  controls: [
    {
      type: 'choice',
      field: 'side',
      label: 'Goes',
      hint: 'Outside of the outline, inside of it, or both',
      options: BAND_SIDES.map((value) => ({ value, label: value })),
    },
    { type: 'number', field: 'widthPx', label: 'Width', unit: 'px', hint: 'How wide the band is, measured from the outline' },
    {
      type: 'choice',
      field: 'join',
      label: 'Corners',
      hint: 'How the band goes round a corner',
      options: JOINS.map((value) => ({ value, label: value })),
    },
    { type: 'paint', field: 'paint', label: 'Color', hint: 'What the band is painted with' },
    {
      type: 'tick',
      field: 'solid',
      label: 'Fills what it goes around',
      hint: 'The band is one solid shape that lies behind as a ground',
      when: ({ side }) => side === 'outward',
    },
    { type: 'tick', field: 'closed', label: 'Closes every counter', hint: 'Holes, such as the inside of an o, are filled as well' },
  ],
  handles: [{ type: 'edge', length: 'widthPx', side: 1 }],
  inOneColor: 'kept',
  quick: 'unchecked',
  treat: (band, layers, context) => {
    const made = around(band, layers, context);
    const area = band.closed ? withoutHoles(made) : made;
    const nodes = painted(area, band.paint);
    if (band.side !== 'outward') return { ...layers, front: [...layers.front, ...nodes] };
    const all = { ...layers, behind: [...nodes, ...layers.behind] };
    return band.solid && nodes.length > 0 ? coveredBy(all, area) : all;
  },
};
