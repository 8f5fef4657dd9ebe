import { centerOf, type Affine, type Bounds, type Point } from '../../geometry';
import type { NumberRow } from '../recipe/number-row';

/** The numbers of a live set, whatever its rule; each rule looks at those it needs. */
export interface SetNumbers {
  readonly centerX: number;
  readonly centerY: number;
  readonly axisDeg: number;
  readonly count: number;
  readonly turning: boolean;
  readonly stepX: number;
  readonly stepY: number;
  readonly columns: number;
  readonly rows: number;
  readonly shiftPercent: number;
}

/** What a new set begins beside: the box of what is repeated, and of all else in the mark. */
export interface SetStart {
  readonly chosen: Bounds;
  readonly rest: Bounds | undefined;
}
/** One entry of the menu: what it is called, and the numbers that it begins with. */
export interface SetBeginning {
  readonly label: string;
  readonly numbers: (start: SetStart) => Partial<SetNumbers> & { readonly crop?: boolean };
}

/** One way to repeat. */
export interface SymmetryRow {
  /** As the designer chooses it, and as the part says what it is. */
  readonly label: string;
  /** How it can be begun. */
  readonly beginnings: readonly SetBeginning[];
  /** The number fields that it has. */
  readonly numbers: readonly NumberRow[];
  /** Where all copies stand, the edited one first. @param ink of what is repeated */
  readonly copies: (set: SetNumbers, ink: Bounds | undefined) => readonly Affine[];
  /** How many there are. */
  readonly count: (set: SetNumbers) => number;
  /** How many were asked for, where that may be more than there are. */
  readonly wanted?: (set: SetNumbers) => number;
  /** How many mirrors it has, of which each halves the plane: what lies beyond can be cut off. */
  readonly mirrors?: 1 | 2;
  /** Whether its copies may turn with their place. */
  readonly turns?: true;
}

export const centerOfSet = ({ centerX, centerY }: SetNumbers): Point => ({ x: centerX, y: centerY });

const rounded = ({ x, y }: Point) => ({ centerX: Math.round(x), centerY: Math.round(y) });
/** On the middle of what is chosen. */
export const onMiddle = ({ chosen }: SetStart) => rounded(centerOf(chosen));
/** On the middle of the rest of the mark, or beside what is mirrored where there is no rest. */
export const onAxis = ({ chosen, rest }: SetStart) => rounded(rest ? centerOf(rest) : { x: chosen.right + 20, y: centerOf(chosen).y });

/** The rows of a center, by what it is to the rule. */
export const centerRows = (hint: string): readonly NumberRow[] => [
  { label: 'Center X', at: 'centerX', unit: 'px', hint },
  { label: 'Center Y', at: 'centerY', unit: 'px', hint },
];
export const COUNT_ROW: NumberRow = { label: 'Copies', at: 'count', hint: 'How many there are, the edited one among them' };
