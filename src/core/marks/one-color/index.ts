export { createDresser, type DressedMark, type Dresser } from './dresser';
export { edgeColors, type EdgeColor } from './edge-colors';
export { STATES, type State } from './decide';
export { oneColor, paintedOnce, type OneColor, type OneColorPart } from './one-color';
export { pinDecisions } from './pin';
export { ONE_COLOR_WISHES, ONE_COLOR_WORDS, type OneColorWish } from './wishes';
