import { mirrorPair } from '../../geometry';
import { centerOfSet, centerRows, onAxis, onMiddle, type SymmetryRow } from './rule';

/** One mirror. */
export const mirror: SymmetryRow = {
  label: 'mirror pair',
  beginnings: [
    { label: 'Mirror pair', numbers: (start) => ({ ...onAxis(start), axisDeg: 90 }) },
    { label: 'Keep a half and mirror it', numbers: (start) => ({ ...onMiddle(start), axisDeg: 90, crop: true }) },
  ],
  numbers: [
    ...centerRows('A place that the mirror runs through'),
    { label: 'Axis', at: 'axisDeg', unit: '°', hint: 'Direction of the mirror; 90° is upright' },
  ],
  copies: (set) => mirrorPair(centerOfSet(set), set.axisDeg),
  count: () => 2,
  mirrors: 1,
};
