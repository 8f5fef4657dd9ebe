import type { Motif } from '../motif';
import { animals } from './animals';
import { goods } from './goods';
import { people } from './people';
import { plants } from './plants';
import { shores } from './shores';

/** Everything that the picture maker knows; a new motif is one row in the file of its kind. */
export const MOTIFS = { ...people, ...plants, ...animals, ...goods, ...shores } as const satisfies Readonly<Record<string, Motif>>;
export type MotifName = keyof typeof MOTIFS;
export const MOTIF_NAMES = Object.keys(MOTIFS) as readonly MotifName[];
export const motifOf = (name: MotifName): Motif => MOTIFS[name];
