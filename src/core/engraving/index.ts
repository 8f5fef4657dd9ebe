export { cushion } from './height';
export { etchedLines, type Etching } from './etch';
