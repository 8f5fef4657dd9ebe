export { evenBreaks, inRows, rowsFor, startingRows } from './rows';
export { arcBaseline, type Baseline, type BaselinePoint } from './baseline';
export { bendAlong, spacingAtHeight, type Spacing } from './bend';
export { curveBaseline, type CurveNode } from './curve-baseline';
export { envelope, envelopeAmount, envelopeGrip, type EnvelopeForm, type EnvelopeFrame } from './envelope';
