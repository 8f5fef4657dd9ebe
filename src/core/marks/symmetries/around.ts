import { aroundCenter, centerOf, heightOf } from '../../geometry';
import { centerOfSet, centerRows, COUNT_ROW, type SymmetryRow } from './rule';

/** Evenly around a center. */
export const around: SymmetryRow = {
  label: 'around a center',
  beginnings: [
    {
      label: 'Around a center',
      // Below what is repeated, so that the copies stand in a ring.
      numbers: ({ chosen }) => {
        const { x, y } = centerOf(chosen);
        return { centerX: Math.round(x), centerY: Math.round(y + heightOf(chosen) * 1.5) };
      },
    },
  ],
  numbers: [COUNT_ROW, ...centerRows('What the copies stand around')],
  copies: (set, ink) => {
    const center = centerOfSet(set);
    return aroundCenter(center, set.count, set.turning, ink ? centerOf(ink) : center);
  },
  count: ({ count }) => count,
  turns: true,
};
