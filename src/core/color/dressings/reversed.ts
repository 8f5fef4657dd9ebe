import type { DressingRow } from './dress';

/** All in paper, on ink. */
export const reversed: DressingRow = { label: 'reversed', ground: 'ink', paint: ({ paper }) => paper };
