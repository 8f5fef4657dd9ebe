import type { DressingRow } from './dress';

/** Every swatch as it is. */
export const full: DressingRow = { label: 'full color', ground: 'paper' };
