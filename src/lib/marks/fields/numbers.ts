import type { Belt, Cut, NumberRow } from '$core/index';

const FIRST_STROKE = 'How thick its strokes are';

/** The number fields of the table, by whose they are. Letters, axes and cuts have rows of their own, made from what there is. */
export const NUMBERS = {
  place: [
    {
      ...{ label: 'X', at: 'place.x', unit: 'px', gesture: 'Move' },
      hint: 'Where its origin stands, from the middle of the mark to the right; what stands by another part counts from there',
    },
    {
      ...{ label: 'Y', at: 'place.y', unit: 'px', gesture: 'Move' },
      hint: 'Where its origin stands, from the middle of the mark downward; what stands by another part counts from there',
    },
    { label: 'Turn', at: 'place.turnDeg', unit: '°', hint: 'Clockwise about its origin' },
  ],
  opacity: [{ label: 'Opacity', at: 'opacity', unit: '%', times: 100, hint: '100 % lets nothing through, 0 % is not seen' }],
  band: [{ label: 'Width', at: 'widthPx', unit: 'px', hint: 'How far the band reaches from the outline it follows' }],
  longerSide: [{ label: 'Longer side', at: 'sizePx', unit: 'px', gesture: 'Size', hint: 'How wide or high it is, whichever is more' }],
  artWeight: [{ label: 'Weight', at: 'weightPx', unit: 'px', step: 0.5, gesture: 'Stroke weight', hint: FIRST_STROKE }],
  curve: [{ label: 'Weight', at: 'weightPx', unit: 'px', hint: 'How thick the curve is drawn; 0 draws its inside only' }],
  growth: [
    {
      label: 'Every',
      at: 'growth.everyPx',
      unit: 'px',
      gesture: 'Leaves every',
      hint: 'How far it is from one pair of leaves to the next',
    },
    { label: 'Leaf length', at: 'growth.lengthPx', unit: 'px', hint: 'How long the first leaves are' },
    { label: 'Open', at: 'growth.openDeg', unit: '°', hint: 'The angle between a leaf and its stem' },
    {
      label: 'Falls off',
      at: 'growth.fallPercent',
      unit: '%',
      hint: 'How much smaller the last leaves are, and how much thinner the stem',
    },
    { label: 'Uneven', at: 'growth.unevenPercent', unit: '%', hint: 'How much leaves differ, as if they had grown' },
    { label: 'Variation', at: 'growth.seed', hint: 'Another number, another branch of the same kind' },
  ],
  growthGap: [{ label: 'Free in the middle', at: 'growth.gapPx', unit: 'px', hint: 'Kept clear between the two branches' }],
  inlay: [
    {
      label: 'Inside of the edge by',
      at: 'insetPx',
      unit: 'px',
      gesture: 'Inset',
      hint: 'How much of the frame stays free along its edge',
    },
  ],
  weave: [{ label: 'Gap at crossings', at: 'gapPx', unit: 'px', gesture: 'Gap', hint: 'The white on both sides of what passes over' }],
  contact: [
    {
      label: 'Symbols',
      at: 'heightPercent',
      unit: '%',
      step: 5,
      gesture: 'Height of the symbols',
      hint: 'Height of every symbol, in percent of the capitals',
    },
    { label: 'Gap', at: 'gapPercent', unit: '%', step: 5, hint: 'White between the symbols and the words, in percent of the capitals' },
    { label: 'Leading', at: 'leadingPercent', unit: '%', step: 5, hint: 'From one line to the next, in percent of the capitals' },
  ],
  lockup: [
    { label: 'Height', at: 'heightPercent', unit: '%', step: 5, hint: 'Height of the symbol, in percent of the capitals' },
    { label: 'White', at: 'gapPercent', unit: '%', step: 5, hint: 'White between symbol and name, ink to ink, in percent of the capitals' },
  ],
  size: [{ label: 'Size', at: 'sizePx', unit: 'px', hint: 'Size of the letters: the em of the font' }],
  tracking: [
    { label: 'Tracking', at: 'trackingPermille', unit: '‰', step: 5, hint: 'Even space between all letters, in thousandths of the size' },
  ],
  frame: [
    { label: 'Width', at: 'widthPx', unit: 'px', step: 10, hint: 'How wide the frame is, whatever is in it' },
    { label: 'Height', at: 'heightPx', unit: 'px', step: 10, hint: 'How high the frame is, whatever is in it' },
  ],
  column: [
    { label: 'Column', at: 'wrap.widthPx', unit: 'px', step: 10, hint: 'How wide its column is; lines break where it ends' },
    {
      label: 'At least',
      at: 'wrap.leastPercent',
      unit: '%',
      step: 5,
      hint: 'What it may be made smaller to where it would be higher than its column',
    },
  ],
  leading: [
    { label: 'Leading', at: 'leadingPermille', unit: '‰', step: 10, hint: 'From baseline to baseline, in thousandths of the size' },
  ],
  opticalKerning: [
    {
      ...{ label: 'Kerning strength', at: 'opticalPercent', unit: '%', step: 5 },
      hint: '50 % is how type designers kern, 100 % makes all white between letters equal',
    },
  ],
  companion: [
    { label: 'Size', at: 'companion.sizePercent', unit: '%', gesture: 'Second line size', hint: 'In percent of the first line’s size' },
    {
      label: 'Gap',
      at: 'companion.gapPermille',
      unit: '‰',
      step: 10,
      gesture: 'Gap below',
      hint: 'From the first line’s baseline to its top, in thousandths of the first line’s size',
    },
  ],
  touch: [
    {
      label: 'Moves at most',
      at: 'touch.mostPermille',
      unit: '‰',
      step: 10,
      gesture: 'Touch',
      hint: 'How far a letter may move to meet the one before, in thousandths of the size',
    },
    { label: 'Turns at most', at: 'touch.mostDeg', unit: '°', gesture: 'Touch', hint: 'How far a letter may lean to meet the one before' },
    {
      label: 'Overlap',
      at: 'touch.overlapPermille',
      unit: '‰',
      gesture: 'Touch',
      hint: 'How deep letters run into each other, in thousandths of the size',
    },
  ],
  roughness: [
    { label: 'Turns', at: 'roughness.turnDeg', unit: '°', step: 0.5, gesture: 'Roughness', hint: 'How far letters lean by chance' },
    {
      label: 'Shifts',
      at: 'roughness.shiftPermille',
      unit: '‰',
      gesture: 'Roughness',
      hint: 'How far letters leave the line by chance, in thousandths of the size',
    },
    { label: 'Sizes', at: 'roughness.sizePercent', unit: '%', gesture: 'Roughness', hint: 'How much letters differ in size by chance' },
    { label: 'Hand', at: 'roughness.seed', gesture: 'Another hand', hint: 'Another number is another hand: all is cast anew' },
  ],
  ringInset: [
    { label: 'Inset', at: 'line.around.insetPx', unit: 'px', hint: 'How far inside of the edge the middle of the capitals runs' },
  ],
  ringRadius: [{ label: 'Radius', at: 'line.radiusPx', unit: 'px', hint: 'Of the circle that the baseline runs on' }],
  ringStart: [{ label: 'Start', at: 'line.startDeg', unit: '°', hint: 'How far round the circle the text is pushed, clockwise' }],
  curveStart: [
    { label: 'Start', at: 'line.startPercent', unit: '%', hint: 'Where on the curve the text stands, in percent of its length' },
  ],
  curveOff: [
    {
      label: 'Above it',
      at: 'line.along.offPx',
      unit: 'px',
      gesture: 'Above the curve',
      hint: 'How far the baseline stands off the curve',
    },
  ],
  envelope: [{ label: 'Amount', at: 'line.amountPercent', unit: '%', step: 5, hint: 'How much the line is bent out of its shape' }],
  spacingHeight: [
    {
      ...{ label: 'Spacing height', at: 'line.spacingAtPercent', unit: '%', step: 5 },
      hint: 'At which height of the capitals the letters keep their spacing: 0 % on the baseline, 100 % at their tops',
    },
  ],
  fitWidth: [{ label: 'Width', at: 'fit.to.widthPx', unit: 'px', gesture: 'Fit width', hint: 'The width that the ink is brought to' }],
  fitAngle: [
    { label: 'Angle', at: 'fit.to.sweepDeg', unit: '°', gesture: 'Fit angle', hint: 'How far round its circle the text is to run' },
  ],
  fitAir: [{ label: 'Air', at: 'fit.to.airPx', unit: 'px', hint: 'What stays free between the ink and the edge it is fitted to' }],
  linkRun: [
    { label: 'From', at: 'run.from', from: 1, gesture: 'Run', hint: 'The first one that is taken' },
    { label: 'How many', at: 'run.count', gesture: 'Run', hint: 'How many are taken from there' },
  ],
} as const satisfies Readonly<Record<string, readonly NumberRow[]>>;

/** The rows of a point of a list, counted from 0. */
export const pointRows = (list: string, at: number, name: string, unit: 'px' | '%', gesture: string): readonly NumberRow[] => [
  { label: `${name} ${at + 1} X`, at: `${list}.${at}.x`, unit, gesture, hint: 'Where it stands, to the right' },
  { label: `${name} ${at + 1} Y`, at: `${list}.${at}.y`, unit, gesture, hint: 'Where it stands, downward' },
];

/** The limits of the n-th means of a fit. */
export const fitLimitRows = (at: number, unit: 'px' | '‰' | undefined): readonly NumberRow[] => [
  { label: 'least', at: `fit.by.${at}.min`, ...(unit ? { unit } : {}), gesture: 'Fit limit', hint: 'It goes no further down than this' },
  { label: 'most', at: `fit.by.${at}.max`, ...(unit ? { unit } : {}), gesture: 'Fit limit', hint: 'It goes no further up than this' },
];

/** The rows of what stands in a list, each named by its field there. */
const inList = (list: string, at: number, gesture: string, rows: readonly Omit<NumberRow, 'gesture'>[]): readonly NumberRow[] =>
  rows.map((row) => ({ ...row, at: `${list}.${at}.${row.at}`, gesture }));

const WHERE: readonly Omit<NumberRow, 'gesture'>[] = [
  { label: 'Across', at: 'acrossPercent', unit: '%', hint: 'Where its middle stands, in percent of the width of what it is in' },
  { label: 'Down', at: 'downPercent', unit: '%', hint: 'Where its middle stands, in percent of the height of what it is in' },
  { label: 'Angle', at: 'angleDeg', unit: '°', hint: 'Which way it runs, clockwise' },
];
const gap = (label: string, hint: string) =>
  ({ label, at: 'gapPermille', unit: '‰', step: 5, hint: `${hint}, in thousandths of the size` }) as const;
const LENGTH = {
  label: 'Length',
  at: 'lengthPercent',
  unit: '%',
  step: 5,
  hint: 'How far it reaches, in percent of what it is in',
} as const;
const CUTS: { readonly [F in Cut['form']]: readonly Omit<NumberRow, 'gesture'>[] } = {
  bar: [...WHERE, gap('Gap', 'How much is cut out'), LENGTH],
  arc: [
    ...WHERE,
    gap('Gap', 'How much is cut out'),
    LENGTH,
    { label: 'Bend', at: 'bendDeg', unit: '°', step: 5, hint: 'How far round the cut runs; 0 is straight' },
  ],
  wedge: [...WHERE, gap('Mouth', 'How wide the wedge opens'), LENGTH],
  slice: [
    ...WHERE,
    gap('Gap', 'How much is cut out'),
    {
      label: 'Push',
      at: 'shiftPermille',
      unit: '‰',
      step: 5,
      hint: 'How far one half is pushed along the slice, in thousandths of the size',
    },
  ],
  free: [],
};
/** The rows of a lettering's n-th cut. */
export const cutRows = (at: number, form: Cut['form']): readonly NumberRow[] => inList('cuts', at, 'Cut', CUTS[form]);

const WIDTH = { label: 'Width', at: 'widthPercent', unit: '%', step: 5, hint: 'In percent of the letter’s width' } as const;
const HEIGHT = { label: 'Height', at: 'heightPercent', unit: '%', step: 5, hint: 'In percent of the letter’s height' } as const;
const BELT: readonly Omit<NumberRow, 'gesture'>[] = [
  { label: 'Band', at: 'bandPermille', unit: '‰', hint: 'How thick it is, in thousandths of the size' },
  { label: 'Stops short', at: 'stopPermille', unit: '‰', hint: 'White that is left where it meets the letter, in thousandths of the size' },
];
/** The rows of a lettering's n-th ring or line through a letter. */
export const beltRows = (at: number, form: Belt['form']): readonly NumberRow[] =>
  inList('belts', at, 'Ring', [...WHERE, WIDTH, ...(form === 'ring' ? [HEIGHT] : []), ...BELT]);
