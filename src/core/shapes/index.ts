export { ellipse, QUARTER_HANDLE } from './ellipse';
export type { FormKind, NumberField, TextLine } from './form';
export { rectangle } from './rectangle';
export { FORM_NAMES, formKind, forms, formSchema, formNumbers, outlineOf, startOf, textLineOf, type Form, type FormName } from './registry';
export { ring } from './ring';
