import type { FreePoint, Path } from '../geometry';

/** One number of a form: how it is asked for, its limits and where it starts. */
export interface NumberField {
  readonly label: string;
  readonly unit: '' | 'px' | '%' | '°';
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly start: number;
}

export const length = (label: string, start: number, min = 0): NumberField => ({ label, unit: 'px', min, max: 20_000, step: 1, start });
export const side = (label: string, start: number): NumberField => length(label, start, 0.1);
export const count = (label: string, start: number, min: number, max: number): NumberField => ({
  label,
  unit: '',
  min,
  max,
  step: 1,
  start,
});
export const percent = (label: string, start: number, min = 0, max = 100): NumberField => ({ label, unit: '%', min, max, step: 1, start });
export const angle = (label: string, start: number, min = -360, max = 360): NumberField => ({ label, unit: '°', min, max, step: 1, start });
/** Another number, another accident of the same kind. */
export const seed = (start = 1): NumberField => count('Variation', start, 1, 9999);

/** Where a text stands on a form: the line that the middle of its capitals runs along, and the room above and below it together. */
export interface TextLine {
  readonly points: readonly FreePoint[];
  readonly heightPx: number;
}

/** A level line from side to side. */
export const levelLine = (left: number, right: number, y: number, heightPx: number): TextLine => ({
  points: [left, right].map((x) => ({ x, y, inX: 0, inY: 0, outX: 0, outY: 0 })),
  heightPx,
});

/** One parametric outline: a pure function of a few numbers, filled by the nonzero rule. */
export interface FormKind<K extends string = string> {
  readonly label: string;
  /** The shelf it stands on. */
  readonly group: 'shape' | 'shield' | 'banner' | 'line' | 'ornament';
  /** Words under which the add field finds it. */
  readonly words: readonly string[];
  readonly fields: Readonly<Record<K, NumberField>>;
  readonly outline: (numbers: Readonly<Record<K, number>>) => Path;
  /** Forms that hold words: where those stand. */
  readonly textLine?: (numbers: Readonly<Record<K, number>>) => TextLine;
}

/** Names the numbers of a form for the type system. */
export const defineForm = <K extends string>(kind: FormKind<K>): FormKind<K> => kind;

/** Width and height, which every form but a line has. */
export const sized = (widthPx: number, heightPx: number = widthPx) => ({
  widthPx: side('Width', widthPx),
  heightPx: side('Height', heightPx),
});
