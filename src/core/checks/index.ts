export { contrastOnGround, contrastOnPicture } from './contrast-on-ground';
export {
  FADES_BELOW_PX,
  isSafe,
  READABLE_CAP_PX,
  SAFE_INK,
  SAFE_LOST,
  SAFE_WHITE,
  silhouetteOf,
  smallestMadeMm,
  smallestSafePx,
  survivalAt,
  type Limits,
  type Silhouette,
  type Survival,
} from './survival';
export { limitsOf, MAKING_NAMES, MAKINGS, makingLimitsSchema, type Making, type MakingLimits } from './makings';
export { markChecks, PROOF_SIZES_PX, survivalFinding, type MarkCheck, type MarkChecks } from './mark-checks';
export { ALIKE, fingerprintOf, likeness, markOutlines, type Fingerprint, type LookAlike } from './look-alike';
export { clearSpacePx, smallestCapPx } from './smallest-words';
export { leastVeil, type LeastVeil } from './least-veil';
export type { PixelsOf } from './lies-behind';
export { pieceChecks, type PieceCheck } from './piece-checks';
export { VERDICTS, type Finding, type Verdict } from './verdict';
export { weightsAgree } from './weights-agree';
export { weakAtAddress, weakAtFrom, weakAtMm, weakAtPx, weakAtText, weakPlaces, type WeakAt, type WeakPlace } from './weak-places';
