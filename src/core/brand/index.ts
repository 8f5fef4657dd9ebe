export {
  boardItemSchema,
  boardSchema,
  foundColorSchema,
  freePlace,
  heightOfItem,
  MOST_BOARD_ITEMS,
  type Board,
  type BoardItem,
  type FoundColor,
} from './board';
export {
  briefSchema,
  proofsThatMatter,
  proposedFiles,
  proposedWidthsPx,
  type ProposedFile,
  USE_NAMES,
  USES,
  type Brief,
  type Use,
} from './brief';
export { MOST_KEPT_PALETTES, type KeptPalette, type KeptPalettes } from './kept-palettes';
export { giveRole, toggleDropped, toggleKept, typeDeskSchema, type TypeDesk, type TypeRole } from './type-desk';
export { FAMILY_ROLES, MARK_ROLES, type MarkRole } from './mark-roles';
export { documentForms, type DocumentKind } from './documents';
export { PROOF_NAMES, PROOFS, type ProofName } from './proofs';
