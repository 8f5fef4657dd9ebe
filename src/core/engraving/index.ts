export { cushion } from './height';
export { etchedLines, quickRim, type Etching } from './etch';
