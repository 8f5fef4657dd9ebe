export {
  about,
  hasFreeSides,
  inkGapShifts,
  inOwnPlane,
  pulledInPlace,
  regionsOfPart,
  restsOfPart,
  scaledInPlace,
  shifted,
  turnedInPlace,
  underMap,
} from './gathering/arranging';
export { derive, marksFollowedBy, paintsFollowed, propertyWords, type Derived, type Sources } from './following/derive';
export {
  BLENDS,
  outlinesIn,
  walkNodes,
  picturesIn,
  pictureSizes,
  type Blend,
  type Drawing,
  type DrawingNode,
  type Fill,
  type Gradient,
  type Group,
  type PictureFill,
} from './drawing/drawing';
export {
  createDresser,
  pinDecisions,
  ONE_COLOR_WISHES,
  ONE_COLOR_WORDS,
  type DressedMark,
  type Dresser,
  type OneColor,
  type OneColorPart,
  type OneColorWish,
} from './one-color';
export { LARGEST_RECIPE_BYTES, LARGEST_SAVE_BYTES } from './recipe/limits';
export { REVISION_KINDS, undoStacks, type RevisionKind, type RevisionLink, type UndoStacks } from './recipe/history';
export { addPart, changePart, exchangePart, freePartId, reaches, shareChange, type PartChange } from './recipe/edit';
export {
  copyDeep,
  duplicatePart,
  gather,
  membersDeep,
  openTaker,
  releaseCopy,
  removePart,
  restack,
  takerOf,
  topLevel,
  type Gathered,
  goingAlone,
} from './gathering/gather';
export { MOST_OWN_CHARGES } from './builders/crest/bearings';
export type { Backdrop } from './builders/monogram/backdrop';
export { ownPieceSchema, type OwnPiece } from './builders/own-piece';
export { fontsNeeded, openFor } from './rights/fonts-needed';
export { partLook, partLookSchema, withPartLook, type PartLook } from './drawing/part-look';
export { colorOf, mapPaints, paintSchema, type Paint } from './drawing/paint';
export { placeAt, placing, type Place } from './part-base';
export type { CutFrame, LetteringFacts, LetterPlace } from './part-kind';
export * from './lettering';
export { ART_SIDE, artBox, artSchema, artSize, type Art } from './parts/art';
export { artSourceSchema, type ArtSource } from './parts/art-source';
export { asTracedArt, backToPicture, keptPictures, pictureOf } from './parts/traced';
export { BAND_SIDES, type Band } from './parts/band';
export { combinationLabel, COMBINATIONS, type Combination, type CombinationHow } from './parts/combination';
export { withGrowth, type FreeCurve, type Growth } from './parts/curve';
export { GROWTH_NAMES, growthRow, RUNS, SIDES, type GrowthName } from '../ornaments';
export { type GroupPart } from './parts/group';
export { type Inlay } from './parts/inlay';
export { CONTACT_ALIGNS, CONTACT_RUNS, type Contact } from './parts/contact';
export { ARRANGEMENTS, arrangementLabel, type Arrangement, type Lockup } from './parts/lockup';
export { RUN_UNITS, type Linked, type RunUnit } from './parts/linked';
export { MOST_SOFT, pictureDensity, type Picture, type PictureFile } from './parts/picture';
export { type Shape } from './parts/shape';
export { copiesOf, symmetryLabel, type Symmetry } from './parts/symmetry';
export { SYMMETRIES, symmetryRow, type SymmetryRule } from './symmetries';
export type { NumberRow } from './recipe/number-row';
export { type UnknownPart } from './parts/unknown';
export {
  bleedBox,
  canvasBox,
  PIECE_PX_PER_UNIT,
  PIECE_UNITS,
  pieceCanvasSchema,
  pieceSizeText,
  safeBox,
  MOST_PAGES,
  type PageOf,
  type PieceCanvas,
  type PieceUnit,
} from './recipe/piece-canvas';
export { recipeChangesSchema, withChanges, type RecipeChanges } from './recipe/changes';
export { FRAME_FITS, type Frame, type FrameFit } from './parts/frame';
export {
  createPart,
  EMPTY_RECIPE,
  MOST_PARTS,
  parseRecipe,
  RECIPE_VERSION,
  recoverRecipe,
  type WholeMark,
  writeRecipe,
  type Recipe,
} from './recipe/recipe';
export { paintKey, paintsIn, repainted } from './recipe/repaint';
export { dealt, partsAlone } from './recipe/dealt';
export { standing, standsInInk } from './recipe/standing';
export {
  describePart,
  isKnown,
  isOnlySeen,
  labelOf,
  partKinds,
  type KnownInput,
  type KnownPart,
  type Part,
  type PartKindName,
} from './registry';
export { labelsOf } from './recipe/naming';
export { followedBy, idsInUse, referencesOf, standsBy, takenBy, tracedBy } from './following/references';
export {
  bannerWords,
  contactLines,
  contactStarts,
  followingRecipe,
  initialRecipe,
  isBacking,
  liesBehind,
  linkStarters,
  nameLettering,
  newLettering,
  newShape,
  ringTexts,
  secondLine,
  startersFor,
  withStarted,
  withTexts,
  type ContactLineStart,
  type Started,
  type Starter,
  type StarterContext,
} from './starters';

export { rightsLines, rightsOf, type MarkRights } from './rights/rights-of';
export type { PartRights } from './part-kind';
export { brokenAway } from './following/break-away';
export { hasStrokes } from './weights/has-strokes';
export { outlineThickness } from './weights/outline-thickness';
export { thicknessOfArea, withWeight } from './weights/stroke-weight';
export { weightsOf, type PartWeight } from './weights/weights';
export { createResolver, type MarkView, type ResolvedMark, type ResolvedPart, type Resolver } from './drawing/resolve';
export { inkOf } from './drawing/ink';
export { rememberedPieces } from './drawing/remembered';
export * from './treating';
export * from './building';
export { mayEnter, movedInto } from './gathering/regather';
export { numberAt, numberLimits, withNumberAt } from './recipe/number-limits';
export type { NumberLimits } from './recipe/schema-numbers';
