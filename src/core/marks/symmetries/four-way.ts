import { fourWay as fourWays } from '../../geometry';
import { centerOfSet, centerRows, onAxis, type SymmetryRow } from './rule';

/** Two mirrors that cross at right angles. */
export const fourWay: SymmetryRow = {
  label: 'four ways',
  beginnings: [{ label: 'Four ways', numbers: onAxis }],
  numbers: [
    ...centerRows('Where the two mirrors cross'),
    { label: 'Axis', at: 'axisDeg', unit: '°', hint: 'Direction of the first mirror; 90° is upright' },
  ],
  copies: (set) => fourWays(centerOfSet(set), set.axisDeg),
  count: () => 4,
  mirrors: 2,
};
