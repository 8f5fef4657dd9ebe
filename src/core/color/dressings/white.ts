import type { DressingRow } from './dress';

/** All in pure white, for dark goods and photos. */
export const white: DressingRow = { label: 'white', ground: 'ink', paint: () => '#ffffff' };
