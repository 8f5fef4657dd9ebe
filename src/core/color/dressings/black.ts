import type { DressingRow } from './dress';

/** All in pure black, for stamps, cutters and single-color presses. */
export const black: DressingRow = { label: 'black', ground: 'paper', paint: () => '#000000' };
