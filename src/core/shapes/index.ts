export { ellipse, QUARTER_HANDLE } from './ellipse';
export { rectangle } from './rectangle';
export { forms, formSchema, outlineOf, type Form, type FormName } from './registry';
export { ring } from './ring';
