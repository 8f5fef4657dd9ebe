import { z } from 'zod';
import { lookIdSchema } from '../../color/palette';
import type { Problem } from '../../result/result';
import { treatmentBase, type TreatmentKind } from '../treating/treatment';

export const brandLookSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('brand-look'),
  look: lookIdSchema.default('none'),
  /** How much larger than in the look its lengths are here. */
  sizePercent: z.number().min(1).max(2000).default(100),
});

const LOOK_GONE: Problem = {
  code: 'look-gone',
  message: 'The look it wears is kept with the brand no more; the part shows without it.',
  fix: 'Choose another look, or remove this treatment.',
};

/**
 * A look that the brand keeps, worn here: changed once, it changes wherever it is worn. Before anything is drawn, the look's own treatments stand
 * in its place (`brand-looks.ts`); what is left is a look that is gone.
 */
export const brandLook: TreatmentKind<typeof brandLookSchema> = {
  schema: brandLookSchema,
  label: 'Brand look',
  words: ['look', 'style', 'preset', 'kept look'],
  hint: 'Treatments that the brand keeps under a name: changed once, changed wherever they are worn',
  describe: ({ sizePercent }) => (sizePercent === 100 ? 'brand look' : `brand look at ${sizePercent} %`),
  controls: [
    { type: 'look', field: 'look', label: 'Look', hint: 'Which of the looks that the brand keeps' },
    {
      type: 'number',
      field: 'sizePercent',
      label: 'Size',
      unit: '%',
      step: 5,
      hint: 'How much larger than in the look its lengths are here: small parts want finer lines',
    },
  ],
  inOneColor: 'kept',
  treat: (_look, layers) => ({ ...layers, notices: [LOOK_GONE] }),
};
