import { heightOf, translation, widthOf } from '../../geometry';
import type { SymmetryRow } from './rule';

/** Most copies of one set. */
const MOST = 120;

/** In columns and rows; every other row may be moved along, as bricks are. */
export const grid: SymmetryRow = {
  label: 'in columns and rows',
  beginnings: [
    {
      label: 'In columns and rows',
      numbers: ({ chosen }) => ({ stepX: Math.round(widthOf(chosen) * 1.25), stepY: Math.round(heightOf(chosen) * 1.25) }),
    },
  ],
  numbers: [
    { label: 'Columns', at: 'columns', hint: 'How many stand in a row' },
    { label: 'Rows', at: 'rows', hint: 'How many rows there are' },
    { label: 'Step X', at: 'stepX', unit: 'px', hint: 'From one column to the next, to the right' },
    { label: 'Step Y', at: 'stepY', unit: 'px', hint: 'From one row to the next, downward' },
    {
      label: 'Every other row',
      at: 'shiftPercent',
      unit: '%',
      hint: 'How far it is moved along, of a step: half of one stands like bricks',
    },
  ],
  copies: ({ columns, rows, stepX, stepY, shiftPercent }) =>
    Array.from({ length: Math.min(MOST, columns * rows) }, (_, at) => {
      const [column, row] = [at % columns, Math.floor(at / columns)];
      return translation(column * stepX + (row % 2 === 1 ? (stepX * shiftPercent) / 100 : 0), row * stepY);
    }),
  count: ({ columns, rows }) => Math.min(MOST, columns * rows),
  wanted: ({ columns, rows }) => columns * rows,
};
