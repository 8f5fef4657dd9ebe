import { levelsOf, type Level } from '../../fields';
import { IDENTITY, type CellGrid, type PathAlgebra, type Region } from '../../geometry';
import type { PaintedFill, PaintedNode } from '../drawing/painted';
import type { Paint } from '../drawing/paint';
import { painted } from './layers';

/** Softness is said as screens say it: a Gaussian of half as wide a standard deviation. @source W3C CSS Backgrounds and Borders Level 3, 6.1 "blur radius" */
export const sigmaOf = (softPx: number): number => softPx / 2;

/**
 * A tone is made of so many areas: one step is about two hundredths, which no eye sees; fewer where each is cut by an edge.
 * More would be worse: renderers round each of them to 8 bits.
 */
const STEPS = {
  free: { most: 40, each: 48, least: 8 },
  cut: { most: 12, each: 20, least: 6 },
  quick: { most: 9, each: 14, least: 5 },
} as const;
const levelCount = (opacityPercent: number, how: keyof typeof STEPS): number => {
  const { most, each, least } = STEPS[how];
  return Math.min(most, Math.max(least, Math.round((opacityPercent / 100) * each)));
};
/** How many times as wide the cells of a tone are where a quick picture is enough. */
export const QUICK_CELLS = 2;

/** What a tone stays within, and whether a quick picture of it is enough. */
export interface Within {
  readonly area: Region;
  readonly paths: PathAlgebra;
  readonly quick: boolean;
}

/** A soft tone in one paint, with nothing of it outside of an area: cut by its outline; seen through it where that is quicker and enough. */
export function softWithin(
  values: Float32Array,
  grid: CellGrid,
  paint: Paint,
  opacityPercent: number,
  { area, paths, quick }: Within,
): readonly PaintedNode[] {
  if (!quick)
    return levelsOf(values, grid, levelCount(opacityPercent, 'cut'), opacityPercent / 100).flatMap(({ region, opacity }) =>
      painted(paths.combine('intersect', region, area), paint, opacity),
    );
  const children = softPaint(values, grid, paint, opacityPercent, 'quick');
  return children.length === 0
    ? []
    : [{ kind: 'group', id: '', transform: IDENTITY, opacity: 1, blend: 'normal', clip: { path: area.path, rule: area.rule }, children }];
}

const fillsOf = (levels: readonly Level[], paint: Paint): readonly PaintedFill[] =>
  levels.flatMap(({ region, opacity }) => painted(region, paint, opacity));

/** A soft tone in one paint: where nothing cuts it in steps that no eye sees, else in fewer. */
export const softPaint = (
  values: Float32Array,
  grid: CellGrid,
  paint: Paint,
  opacityPercent: number,
  how: keyof typeof STEPS = 'free',
): readonly PaintedFill[] => fillsOf(levelsOf(values, grid, levelCount(opacityPercent, how), opacityPercent / 100), paint);
