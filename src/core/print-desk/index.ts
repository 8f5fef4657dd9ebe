export { judgeDelivery, type Delivery, type DeskAnswer, type DeskReason, type PlaceMm } from './judge';
export { PROCESS_NAMES, processOf, PROCESSES, type Process, type ProcessName } from './processes';
export { thinPlace, type ThinPlace } from './thin-places';
