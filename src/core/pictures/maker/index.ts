export { GROUNDS, type GroundName } from './grounds';
export { LEAST_SIDE_PX, makePicture, MOST_SIDE_PX, type MadeSoFar, type PictureOrder } from './make-picture';
export { meaningOf, type Meaning } from './meaning';
export { MOTIF_NAMES, motifOf, type MotifName } from './motifs';
