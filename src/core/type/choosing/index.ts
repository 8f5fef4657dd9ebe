export { FEEL_WORDS, feelFilter, feelOf, KNOWN_FEELS, nearFeels, type FeelFilter, type FilterSubject } from './feel-words';
export { freeAlternatives } from './free-alternatives';
export { distance } from './likeness';
export { pairing, rankPairings, type Pairing, type PairingFace, type PairingReason } from './pairing';
export { createQualityReader, QUALITIES, QUALITY_NAMES, rankAmong, type Qualities, type Quality, type QualityReader } from './qualities';
export {
  nearness,
  strongestWishes,
  VOICE_SCALE_NAMES,
  VOICE_SCALES,
  VOICE_WEIGHTS,
  wishesOf,
  type Contribution,
  type Nearness,
  type Voice,
  type VoiceScale,
} from './voice';
