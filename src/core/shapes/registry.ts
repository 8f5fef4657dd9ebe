import { z } from 'zod';
import type { Path } from '../geometry';
import { ornaments } from '../ornaments';
import { banners } from './banners';
import type { FormKind, TextLine } from './form';
import { arcLine, arrow, burst, line, taperedLine, waveLine } from './lines';
import { arch, chamfered, cross, panel, polygon, scallop, star, table, ticket } from './panels';
import { crescent, disk, drop, halfDisk, heart, ring } from './round';
import { shields } from './shields';

/** Every parametric outline; a new one is one piece in a file beside this and one row here. */
export const forms = {
  disk,
  ring,
  panel,
  chamfered,
  ticket,
  table,
  arch,
  polygon,
  star,
  scallop,
  burst,
  cross,
  halfDisk,
  crescent,
  drop,
  heart,
  line,
  taperedLine,
  arcLine,
  waveLine,
  arrow,
  ...shields,
  ...banners,
  ...ornaments,
} as const;

type Forms = typeof forms;
export type FormName = keyof Forms;
type NumbersOf<F extends FormName> = Readonly<Record<keyof Forms[F]['fields'] & string, number>>;
/** A form and all of its numbers. */
export type Form<F extends FormName = FormName> = { [N in F]: { readonly form: N } & NumbersOf<N> }[F];

export const FORM_NAMES = Object.keys(forms) as readonly FormName[];

/** The row of a form as the schema, the add field and the recipe column read it. */
export const formKind = (form: FormName): FormKind => forms[form] as unknown as FormKind;

/** The numbers a form starts with. */
export const startOf = (form: FormName): Form =>
  ({ form, ...Object.fromEntries(Object.entries(formKind(form).fields).map(([field, { start }]) => [field, start])) }) as Form;

const schemaOf = (form: FormName) =>
  z.strictObject({
    form: z.literal(form),
    ...Object.fromEntries(
      Object.entries(formKind(form).fields).map(([field, { min, max, start }]) => [field, z.number().min(min).max(max).default(start)]),
    ),
  });

/** The numbers of every form, each within its limits; what is left out starts where the form starts. */
export const formSchema = z.discriminatedUnion(
  'form',
  FORM_NAMES.map(schemaOf) as unknown as [ReturnType<typeof schemaOf>],
) as unknown as z.ZodType<Form, { readonly form: FormName } & Readonly<Record<string, number | FormName>>>;

/** The numbers of any form by their names. */
export const formNumbers = (form: Form) => form as unknown as Readonly<Record<string, number>>;

/** What a form draws, on its own origin. */
export const outlineOf = (form: Form): Path => formKind(form.form).outline(formNumbers(form));

/** Where words stand on a form, when it holds any. */
export const textLineOf = (form: Form): TextLine | undefined => formKind(form.form).textLine?.(formNumbers(form));
