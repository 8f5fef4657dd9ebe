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
} from './arranging';
export { derive, marksFollowedBy, type Derived, type Sources } from './derive';
export {
  BLENDS,
  picturesIn,
  pictureSizes,
  type Blend,
  type Drawing,
  type DrawingNode,
  type Fill,
  type Gradient,
  type Group,
  type PictureFill,
} from './drawing';
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
export { LARGEST_RECIPE_BYTES, LARGEST_SAVE_BYTES } from './limits';
export { REVISION_KINDS, undoStacks, type RevisionKind, type RevisionLink, type UndoStacks } from './history';
export { addPart, changePart, freePartId, shareChange, type PartChange } from './edit';
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
} from './gather';
export { fontsNeeded } from './fonts-needed';
export { partLook, partLookSchema, withPartLook, type PartLook } from './part-look';
export { colorOf, paintSchema, type Paint } from './paint';
export { placeAt, placing, type Place } from './part-base';
export type { CutFrame, LetteringFacts, LetterPlace } from './part-kind';
export * from './lettering';
export { ART_SIDE, artBox, artSchema, artSize, artSourceSchema, type Art, type ArtSource } from './parts/art';
export { BAND_SIDES, type Band } from './parts/band';
export { combinationLabel, COMBINATIONS, type Combination, type CombinationHow } from './parts/combination';
export { type FreeCurve } from './parts/curve';
export { type GroupPart } from './parts/group';
export { type Inlay } from './parts/inlay';
export { CONTACT_ALIGNS, CONTACT_RUNS, type Contact } from './parts/contact';
export { ARRANGEMENTS, arrangementLabel, type Arrangement, type Lockup } from './parts/lockup';
export { type Linked } from './parts/linked';
export { pictureDensity, type Picture } from './parts/picture';
export { type Shape } from './parts/shape';
export { copiesOf, SYMMETRIES, symmetryLabel, type Symmetry, type SymmetryRule } from './parts/symmetry';
export { type UnknownPart } from './parts/unknown';
export { createPart, EMPTY_RECIPE, MOST_PARTS, parseRecipe, RECIPE_VERSION, writeRecipe, type Recipe } from './recipe';
export { describePart, isKnown, labelOf, partKinds, type KnownInput, type KnownPart, type Part, type PartKindName } from './registry';
export { labelsOf } from './naming';
export { followedBy, goingAlone, idsInUse, referencesOf, standsBy, takenBy, tracedBy } from './references';
export {
  bannerWords,
  CONTACT_STARTS,
  contactLines,
  followingRecipe,
  initialRecipe,
  isBacking,
  linkStarters,
  nameLettering,
  newShape,
  ringTexts,
  secondLine,
  startersFor,
  withStarted,
  type ContactLineStart,
  type Started,
  type Starter,
  type StarterContext,
} from './starters';

export { rightsLines, rightsOf, type MarkRights, type PartRights } from './rights-of';
export { outlineThickness } from './outline-thickness';
export { thicknessOfArea, withWeight } from './stroke-weight';
export { weightsOf, type PartWeight } from './weights';
export { createResolver, inkOf, type MarkView, type ResolvedMark, type ResolvedPart, type Resolver } from './resolve';
