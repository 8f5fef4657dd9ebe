export { bordersOf, OUTSIDE, type AreaMap } from './trace/borders';
export type { Closeness } from './trace/fit-chain';
export { traceAreas, traceGray } from './trace/trace';
