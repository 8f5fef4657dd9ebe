import type { DressingRow } from './dress';

/** All in ink, on paper. */
export const oneColorOnPaper: DressingRow = { label: 'one color', ground: 'paper', paint: ({ ink }) => ink };
