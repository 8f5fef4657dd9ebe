export { cushion } from './height';
export { distanceInside, opened } from './distance';
export { etchedLines, type Etching } from './etch';
