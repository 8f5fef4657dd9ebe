import { charges } from './charges';
import { corner, divider, flourish, spindle, spray } from './flourishes';
import { laurel } from './laurel';
import { archRing, barbedRing, chain, leafRing, rope, stitchedRing, thornRing, waveRing } from './ring-borders';
import { beading, guilloche, rosette } from './rounds';
import { scrolls } from './scrolls';
import { wreaths } from './wreaths';

/** Ornaments drawn from parameters: they are ours, so that the client may register them. One row each. */
export const ornaments = {
  laurel,
  flourish,
  divider,
  rosette,
  spray,
  corner,
  guilloche,
  beading,
  spindle,
  rope,
  chain,
  thornRing,
  barbedRing,
  stitchedRing,
  waveRing,
  leafRing,
  archRing,
  ...wreaths,
  ...charges,
  ...scrolls,
} as const;
export { bloom, BLOOMS, sprig, type BloomKind } from './blooms';
export { GROWTH_NAMES, growthRow, type GrowthName } from './growths';
export { grownAlong, RUNS, SIDES, startingGarland, type Garland, type GrownGarland, type Walk } from './garland';
