import { z } from 'zod';
import { formKind, formSchema, outlineOf, textLineOf } from '../../shapes';
import { paintSchema } from '../drawing/paint';
import { partBase, partIdSchema } from '../part-base';
import type { PartKind } from '../part-kind';
import { OURS } from '../rights/part-rights';

export const shapeSchema = z.strictObject({
  ...partBase,
  kind: z.literal('shape'),
  form: formSchema,
  paint: paintSchema.default({ role: 'lead' }),
  /** Forms with strokes of their own: the part whose typical stroke they take. */
  weightFrom: partIdSchema.optional(),
});
export type Shape = z.infer<typeof shapeSchema>;

/** A parametric shape on its own center. */
export const shape: PartKind<typeof shapeSchema> = {
  schema: shapeSchema,
  label: 'Shape',
  called: (part) => formKind(part.form.form).label,
  describe: (part) => `${formKind(part.form.form).group} · ${formKind(part.form.form).label.toLowerCase()}`,
  rights: () => [OURS],
  refer: (part, to) => (part.weightFrom ? { ...part, weightFrom: to(part.weightFrom, 'stroke') } : part),
  draw: (part, { sibling }) => {
    const weightPx = part.weightFrom ? sibling(part.weightFrom)?.strokePx : undefined;
    const gone = part.weightFrom !== undefined && weightPx === undefined;
    const form = weightPx !== undefined && 'weightPx' in part.form ? { ...part.form, weightPx } : part.form;
    const words = textLineOf(form);
    return {
      ...(words ? { baseline: words.points, roomPx: words.heightPx } : {}),
      nodes: [{ kind: 'fill', path: outlineOf(form), rule: 'nonzero', paint: part.paint, opacity: 1 }],
      notices: gone
        ? [
            {
              code: 'weight-gone',
              message: 'The part whose stroke this follows is gone or has none.',
              fix: 'Let it follow another part, or a number.',
            },
          ]
        : [],
    };
  },
};
