import { numberAt, numberLimits, withNumberAt, type KnownPart, type NumberRow, type PartChange } from '$core/index';
import type { Table } from '../table/table.svelte';

/** A number field as it is shown. */
export interface ShownNumber {
  readonly label: string;
  readonly hint: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly digits: number;
  readonly value: number;
  /** Whether several parts are chosen that differ in it; a change reaches them all. */
  readonly mixed: boolean;
  readonly preview: (value: number) => void;
  readonly gesture: string;
}

/** The number fields of a part, in the order of their rows; a row whose number the part does not have is left out. */
export function shownNumbers(table: Table, part: KnownPart, rows: readonly NumberRow[]): readonly ShownNumber[] {
  return rows.flatMap(({ label, at, hint, unit = '', step = 1, gesture = label, times = 1, from = 0 }) => {
    const [limits, value] = [numberLimits(part, at), numberAt(part, at)];
    if (!limits || value === undefined) return [];
    return {
      ...{ label, hint, unit, step, gesture },
      min: limits.min * times + from,
      max: limits.max * times + from,
      digits: limits.whole ? 0 : 2,
      value: value * times + from,
      mixed: table.differ(part, at),
      preview: (shown: number) => {
        const number = (shown - from) / times;
        table.preview(part.id, withNumberAt(part, at, limits.whole ? Math.round(number) : number) as PartChange);
      },
    };
  });
}
