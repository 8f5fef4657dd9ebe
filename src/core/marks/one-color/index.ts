export { createDresser, type DressedMark, type Dresser } from './dresser';
export { STATES, type State } from './decide';
export { oneColor, paintedOnce, type OneColor, type OneColorPart } from './one-color';
export { pinDecisions } from './pin';
export { ONE_COLOR_WISHES, ONE_COLOR_WORDS, type OneColorWish } from './wishes';
