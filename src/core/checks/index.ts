export { contrastOnGround, contrastOnPicture } from './contrast-on-ground';
export { strokeAtSize } from './stroke-at-size';
export { VERDICTS, type Finding, type Verdict } from './verdict';
export { weightsAgree } from './weights-agree';
