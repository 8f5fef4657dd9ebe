import { alongLine, widthOf } from '../../geometry';
import { COUNT_ROW, type SymmetryRow } from './rule';

/** In even steps along a line. */
export const along: SymmetryRow = {
  label: 'along a line',
  beginnings: [{ label: 'Along a line', numbers: ({ chosen }) => ({ stepX: Math.round(widthOf(chosen) * 1.2), count: 3 }) }],
  numbers: [
    COUNT_ROW,
    { label: 'Step X', at: 'stepX', unit: 'px', hint: 'From one copy to the next, to the right' },
    { label: 'Step Y', at: 'stepY', unit: 'px', hint: 'From one copy to the next, downward' },
  ],
  copies: ({ count, stepX, stepY }) => alongLine(count, { x: stepX, y: stepY }),
  count: ({ count }) => count,
};
