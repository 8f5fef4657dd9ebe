export { BLEND_FORMULAS, blended, layOver, type BlendFormula } from './blend';
export { inkCells, inkCellsByColor, type InkCells } from './ink-cells';
export { stampPlace, type PhotoSize, type StampPlace } from './place';
export { largestFree, protectionOf, type Protection } from './protection';
export { quietPlace, unremovablePlace, type FoundPlace } from './quiet-place';
export {
  PHOTO_FORMATS,
  photoDeskSchema,
  STAMP_BLENDS,
  STAMP_EDGES,
  startStamp,
  TONES,
  VEIL_TONES,
  watermarkOf,
  type PhotoArea,
  type PhotoDesk,
  type PhotoException,
  type PhotoFormat,
  type PhotoOutput,
  type Stamp,
  type StampPlacing,
  type ToneWish,
  type Veil,
  type Watermark,
} from './settings';
export { chosenTone, contrastUnder, turningLightness, type ToneChoice } from './tone';
export { lightnessOf, luminanceOf, packTones, photoTones, pixelLuminance, TONE_CELLS, unpackTones, type PhotoTones } from './tones';
export { MOST_SPOTS, veilLayout, type VeilLayout, type VeilSpot } from './veil';
export {
  leastOpacity,
  watermarkDrawing,
  type LaidStamp,
  type LaidWatermark,
  type WatermarkSource,
  type WatermarkTones,
} from './watermark-drawing';
export { leadingFamily, startVeil, veilLine } from './veil-line';
export { ownDressing, watermarkSources } from './sources';
