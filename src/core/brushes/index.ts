import type { Brush } from './brush';
import { chalk, dry, even, rough } from './brushes';

export type { Brush, StrokePlace } from './brush';
export { strokeRegion, type HandLine } from './stroke-region';

/** Every brush, one row each. */
export const BRUSHES = { rough, even, dry, chalk } as const satisfies Readonly<Record<string, Brush>>;
export type BrushName = keyof typeof BRUSHES;
export const BRUSH_NAMES = Object.keys(BRUSHES) as readonly BrushName[];
export const brushOf = (name: BrushName): Brush => BRUSHES[name];
