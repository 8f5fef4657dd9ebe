import { z } from 'zod';
import { formKind, formSchema, outlineOf } from '../../shapes';
import { paintSchema } from '../paint';
import { partBase } from '../part-base';
import type { PartKind } from '../part-kind';

export const shapeSchema = z.strictObject({
  ...partBase,
  kind: z.literal('shape'),
  form: formSchema,
  paint: paintSchema.default({ role: 'lead' }),
});
export type Shape = z.infer<typeof shapeSchema>;

/** A parametric shape on its own center. */
export const shape: PartKind<typeof shapeSchema> = {
  schema: shapeSchema,
  label: 'Shape',
  describe: (part) => `${formKind(part.form.form).group} · ${formKind(part.form.form).label.toLowerCase()}`,
  draw: (part) => ({
    nodes: [{ kind: 'fill', path: outlineOf(part.form), rule: 'nonzero', paint: part.paint, opacity: 1 }],
    notices: [],
  }),
};
