export { asPage, bookletsOf, pagesMoved, pagesTogether } from './booklets';
export { fileCanvas } from './file-canvas';
export {
  GROUND_KINDS,
  GROUND_NAMES,
  GROUND_PARTS,
  groundOf,
  isGroundPart,
  onCanvas,
  onGround,
  type Ground,
  type GroundKindName,
} from './grounds';
export { WORDS_WHAT, type PieceLayout, type Room, type Slot as PieceSlot, type WordsWhat } from './layout';
export { PIECE_LAYOUTS, pieceLayout } from './layouts';
export { PIECE_SIZES, type PieceSize } from './piece-sizes';
export {
  contentOf,
  pouredPiece,
  repaintOn,
  repoured,
  roomOf,
  smallestWordsPx,
  type PaintsOfMarks,
  type PieceContent,
  type PiecePicture,
} from './pour';
