export {
  describeTreatment,
  isKnownTreatment,
  newTreatment,
  OWN_TREATMENTS,
  treatmentKinds,
  treatmentLabel,
  treatmentRow,
  treatmentsSchema,
  type KnownTreatment,
  type NewerTreatment,
  type Treatment,
  type TreatmentKindName,
} from './registry';
export {
  adding,
  changing,
  duplicating,
  freeTreatmentId,
  moving,
  removing,
  suitedTo,
  treatmentLimits,
  type Treatments,
  type TreatmentsEdit,
} from './edit';
export {
  drawnStroke,
  middleOfStroke,
  MOST_HAND_STROKES,
  straightStroke,
  strokeMoved,
  strokeTimes,
  strokeTurned,
  strokeWay,
  type HandStroke,
  type StrokeManner,
} from './hand-strokes';
export { treatmentGrips, type TreatmentGrip } from './grips';
export { DAYLIGHT, lightForCopy, lightIn, lightSchema, type Light } from './light';
export { lookFrom, looksOf, wearing, keepingLook, droppingLook, wornBy, type BrandLook } from './brand-looks';
export { TREATMENT_STACKS, type TreatmentStack } from './stacks';
export type { TreatmentControl, TreatmentHandle } from './treatment';
