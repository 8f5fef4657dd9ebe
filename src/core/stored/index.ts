/** How documents are stored: versions, small pure steps between them, reading what was saved under other limits. */
export { accepted, raised, recovered, versionOf, writtenForm, type FormStep, type Stored, type StoredForm } from './stored-form';
export { mended } from './mended';
