export { clearance } from './clearance';
export { opticalGap, sidesOf, type Sides } from './optical-gap';
export {
  classOf,
  FITTED,
  FLOOR_PERMILLE,
  letterOutline,
  opticalKern,
  opticalKit,
  type LetterClass,
  type LetterShape,
  type OpticalKit,
  type OpticalPair,
} from './optical-kerning';
export { createPairKerner, fontKern, KERNINGS, type Kerning, type PairKerner } from './pair-kerner';
export { LOWEST_ROW_PERMILLE, ROW_PERMILLE, sideProfile, type SideProfile } from './side-profile';
