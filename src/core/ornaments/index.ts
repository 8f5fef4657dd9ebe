import { corner, divider, flourish, spindle, spray } from './flourishes';
import { laurel } from './laurel';
import { beading, guilloche, rosette } from './rounds';

/** Ornaments drawn from parameters: they are ours, so that the client may register them. One row each. */
export const ornaments = { laurel, flourish, divider, rosette, spray, corner, guilloche, beading, spindle } as const;
