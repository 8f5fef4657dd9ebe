import { z } from 'zod';
import { contoursOf, inscribedDisk, islandsOf, JOINS, withoutHoles, type PathAlgebra, type Region } from '../../geometry';
import type { Problem } from '../../result/result';
import { paintSchema } from '../drawing/paint';
import { allGrown, coveredBy, painted } from '../treating/layers';
import { lengthPx, treatmentBase, type TreatmentKind } from '../treating/treatment';

export const weldingBandSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('welding-band'),
  widthPx: lengthPx(0.1).default(14),
  join: z.enum(JOINS).default('round'),
  /** Counters that are closed whatever the width. */
  counters: z.enum(['all', 'by-width']).default('by-width'),
  paint: paintSchema.default({ role: 'second' }),
});

/** Disks inscribed in what is still open, largest last; half of a hole's width is what the band lacks. */
function stillOpen(area: Region, paths: PathAlgebra): readonly number[] {
  return islandsOf(area)
    .flatMap((island) => contoursOf(island.path).slice(1))
    .map((path) => inscribedDisk(paths.weld([{ path, rule: 'nonzero' }]))?.radius ?? 0)
    .filter((radius) => radius > 0.01)
    .sort((one, other) => one - other);
}

const open = (count: number, widthPx: number, lackPx: number): Problem => ({
  code: 'counters-open',
  message: `${count === 1 ? 'One counter stays' : `${count} counters stay`} open at this width.`,
  fix: `A band of ${Math.ceil((widthPx + lackPx) * 10) / 10} px closes all of them, or let it close every counter.`,
});

/** A band wide enough to make one shape of a whole word; it says what stays open. */
export const weldingBand: TreatmentKind<typeof weldingBandSchema> = {
  schema: weldingBandSchema,
  label: 'Welding band',
  words: ['weld', 'one shape', 'backing', 'sticker', 'die cut', 'ground', 'welding'],
  hint: 'Makes one shape behind everything, and says which counters stay open',
  describe: (band) => `${band.widthPx} px`,
  controls: [
    { type: 'number', field: 'widthPx', label: 'Width', unit: 'px', hint: 'How far the shape reaches beyond the outline' },
    {
      type: 'choice',
      field: 'counters',
      label: 'Counters',
      hint: 'Closed all, or those alone that the band is wide enough for',
      options: [
        { value: 'by-width', label: 'by its width' },
        { value: 'all', label: 'all closed' },
      ],
    },
    {
      type: 'choice',
      field: 'join',
      label: 'Corners',
      hint: 'How the band goes round a corner',
      options: JOINS.map((value) => ({ value, label: value })),
    },
    { type: 'paint', field: 'paint', label: 'Color', hint: 'What the shape is painted with' },
  ],
  handles: [{ type: 'edge', length: 'widthPx', side: 1 }],
  inOneColor: 'kept',
  quick: 'unchecked',
  treat: (band, layers, { paths }) => {
    const made = allGrown(layers, band.widthPx, band.join, paths);
    const holes = band.counters === 'all' ? [] : stillOpen(made, paths);
    const lack = holes.at(-1);
    const area = band.counters === 'all' ? withoutHoles(made) : made;
    const nodes = painted(area, band.paint);
    const all = {
      ...layers,
      behind: [...nodes, ...layers.behind],
      ...(lack === undefined ? {} : { notices: [open(holes.length, band.widthPx, lack)] }),
    };
    return nodes.length > 0 ? coveredBy(all, area) : all;
  },
};
