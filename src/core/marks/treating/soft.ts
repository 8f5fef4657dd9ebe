import { levelsOf, type Level } from '../../fields';
import type { CellGrid } from '../../geometry';
import type { PaintedFill } from '../drawing/painted';
import type { Paint } from '../drawing/paint';
import { painted } from './layers';

/** Softness is said as screens say it: a Gaussian of half as wide a standard deviation. @source W3C CSS Backgrounds and Borders Level 3, 6.1 "blur radius" */
export const sigmaOf = (softPx: number): number => softPx / 2;

/**
 * A tone is made of so many areas: one step is about two hundredths, which no eye sees; fewer where each is cut by an edge.
 * More would be worse: renderers round each of them to 8 bits.
 */
const STEPS = { free: { most: 40, each: 48, least: 8 }, cut: { most: 12, each: 20, least: 6 } } as const;
const levelCount = (opacityPercent: number, how: keyof typeof STEPS): number => {
  const { most, each, least } = STEPS[how];
  return Math.min(most, Math.max(least, Math.round((opacityPercent / 100) * each)));
};

/** A soft tone in one paint. @param change is done to each area of it */
export const softFills = (
  values: Float32Array,
  grid: CellGrid,
  paint: Paint,
  opacityPercent: number,
  change: (level: Level) => Level = (level) => level,
): readonly PaintedFill[] =>
  levelsOf(values, grid, levelCount(opacityPercent, 'cut'), opacityPercent / 100).flatMap((level) => {
    const { region, opacity } = change(level);
    return painted(region, paint, opacity);
  });

/** A soft tone that nothing cuts: in steps that no eye sees. */
export const softPaint = (values: Float32Array, grid: CellGrid, paint: Paint, opacityPercent: number): readonly PaintedFill[] =>
  levelsOf(values, grid, levelCount(opacityPercent, 'free'), opacityPercent / 100).flatMap(({ region, opacity }) =>
    painted(region, paint, opacity),
  );
