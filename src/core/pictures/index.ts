export { bordersOf, OUTSIDE, type AreaMap } from './trace/borders';
export type { Closeness } from './trace/fit-chain';
export { traceAreas, traceGray } from './trace/trace';
export { labPlanes, scaledDown, WORK_SIDE, type LabPlanes, type Pixels } from './pixels';
export { START_TRACING, tracingSchema, WAY_NAMES, type Tracing, type WayName } from './tracing';
export { asTraced, tracePicture, type TracedOutcome } from './trace-picture';
export { TRACING_WAYS } from './ways/registry';
export type { TracedArea, TracedPicture, TracingWay } from './ways/way';
export { histogramOf, otsu } from './tones/thresholds';
