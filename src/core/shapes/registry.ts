import { z } from 'zod';
import type { Path } from '../geometry';
import { ellipse } from './ellipse';
import { rectangle } from './rectangle';
import { ring } from './ring';

const side = z.number().min(0.1).max(20_000);

/** The numbers of every form of shape; a new form is one file, one member here and one row below. */
export const formSchema = z.discriminatedUnion('form', [
  z.strictObject({ form: z.literal('disk'), widthPx: side, heightPx: side }),
  z.strictObject({ form: z.literal('ring'), widthPx: side, heightPx: side, bandPx: side }),
  z.strictObject({ form: z.literal('panel'), widthPx: side, heightPx: side, cornerPx: z.number().min(0).max(10_000) }),
]);

type AnyForm = z.infer<typeof formSchema>;
export type FormName = AnyForm['form'];
export type Form<F extends FormName = FormName> = { [N in F]: Extract<AnyForm, { form: N }> }[F];

interface FormKind<F extends FormName> {
  readonly label: string;
  /** Words under which the add field finds it. */
  readonly words: readonly string[];
  /** The numbers it starts with. */
  readonly start: Form<F>;
  /** Labels of the numbers besides width and height, in the order in which they are asked for. */
  readonly fields: Readonly<Record<Exclude<keyof Form<F>, 'form'>, string>>;
  readonly outline: (form: Form<F>) => Path;
}

export const forms: { readonly [F in FormName]: FormKind<F> } = {
  disk: {
    label: 'Disk',
    words: ['circle', 'round', 'ellipse', 'oval', 'dot', 'backing'],
    start: { form: 'disk', widthPx: 320, heightPx: 320 },
    fields: { widthPx: 'Width', heightPx: 'Height' },
    outline: (form) => ellipse(form.widthPx, form.heightPx),
  },
  ring: {
    label: 'Ring',
    words: ['circle', 'round', 'band', 'border', 'frame'],
    start: { form: 'ring', widthPx: 320, heightPx: 320, bandPx: 8 },
    fields: { widthPx: 'Width', heightPx: 'Height', bandPx: 'Band' },
    outline: (form) => ring(form.widthPx, form.heightPx, form.bandPx),
  },
  panel: {
    label: 'Panel',
    words: ['rectangle', 'square', 'box', 'bar', 'rule', 'line', 'label'],
    start: { form: 'panel', widthPx: 520, heightPx: 180, cornerPx: 0 },
    fields: { widthPx: 'Width', heightPx: 'Height', cornerPx: 'Corner' },
    outline: (form) => rectangle(form.widthPx, form.heightPx, form.cornerPx),
  },
};

export const outlineOf = <F extends FormName>(form: Form<F>): Path => forms[form.form as F].outline(form);
