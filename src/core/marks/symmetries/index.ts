import { along } from './along';
import { around } from './around';
import { fourWay } from './four-way';
import { grid } from './grid';
import { mirror } from './mirror';
import type { SymmetryRow } from './rule';

/** Every way to repeat; a new one is one file and one row. */
const ROWS = { mirror, 'four-way': fourWay, around, along, grid } as const satisfies Readonly<Record<string, SymmetryRow>>;
export type SymmetryRule = keyof typeof ROWS;
export const SYMMETRIES = Object.keys(ROWS) as [SymmetryRule, ...SymmetryRule[]];
export const symmetryRow = (rule: SymmetryRule): SymmetryRow => ROWS[rule];
