export { createGaps, createLooks, forgetWaiting, lettersOf, retext, waiting, type OwnLook } from './anchors';
export { withEveryLook, withGap, withLook, withNewBelt, withNewCut, type LetterTarget, type LookChange } from './edit-letters';
export { beltGrips, cutGrips, type Grip } from './grips';
export { ENVELOPE_FROM } from './line-placing';
export { letterForms, type LetterForm } from './letter-forms';
export { spacingOf, type SeenGap, type SpacingView } from './spacing-view';
export {
  BELT_FORMS,
  CUT_FORMS,
  curvePointSchema,
  ENVELOPES,
  FLIPS,
  fontChoiceSchema,
  letteringSchema,
  LONGEST_TEXT,
  SIZE_LIMITS,
  type Belt,
  type CurvePoint,
  type Cut,
  type Fit,
  type FitMeans,
  type HandGap,
  type LetterAnchor,
  type Lettering,
  type LetterLook,
  type Line,
  type LineShape,
  type Roughness,
  type Touch,
} from './schema';
