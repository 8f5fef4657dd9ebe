export { bordersOf, OUTSIDE, type AreaMap } from './trace/borders';
export type { Closeness } from './trace/fit-chain';
export { traceAreas, traceGray } from './trace/trace';
export { labPlanes, scaledDown, studyOf, WORK_SIDE, type LabPlanes, type Pixels } from './pixels';
export { START_TRACING, tracingSchema, WAY_NAMES, type Tracing, type WayName } from './tracing';
export { asTraced, tracePicture, type TracedOutcome } from './trace-picture';
export { TRACING_WAYS } from './ways/registry';
export type { TracedArea, TracedPicture, TracingWay } from './ways/way';
export { balanced } from './tones/balanced';
export { histogramOf, otsu } from './tones/thresholds';
export { leastCut, type CutCosts } from './ground/max-flow';
export { cutOut, matteOf, MATTE_SIDE, type Matte } from './ground/matte';
export { MOST_STROKES, strokeSchema, strokesSchema, type Stroke } from './ground/strokes';
export { partingOf, PARTING_SIDE, subjectOf, type Parting, type Subject } from './ground/subject';

export {
  GROUNDS,
  LEAST_SIDE_PX,
  makePicture,
  meaningOf,
  MOST_SIDE_PX,
  MOTIF_NAMES,
  motifOf,
  type GroundName,
  type MadeSoFar,
  type Meaning,
  type MotifName,
  type PictureOrder,
} from './maker';
