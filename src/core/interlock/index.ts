/** How shapes lie over one another, take turns, and how two or three letters interlock best. */
export { alternated, type Alternation } from './alternate';
export { layerAt, layerOf, type Layer } from './layer';
export { overlaid, type Overlap, type OverlapKind, type Overlay, type Piece, type Port } from './overlay';
export { FAMILIES, gapFor, GOOD_INTERLOCK, interlocks, stemOf, type Interlock, type InterlockFamily, type WovenLetter } from './search';
export { interlocksOfThree, type InterlockOfThree, type Three } from './three';
