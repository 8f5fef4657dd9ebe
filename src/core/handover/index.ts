export { fileLine, guidePage, guideText, webManifest, type Guide, type GuideFile } from './guide';
export { fileNames, NAME_WORDS, plainName, sizeName, strangeWords, type NameWord, type NameWords } from './names';
export { readSize } from './read-size';
export { PACK_NAMES, packKind, PACKS, type PackKind, type PackName, type PackSize } from './packs';
export {
  handoverPlanSchema,
  holdsMany,
  marksOf,
  MOST_FILES,
  plannedSize,
  roughBytes,
  START_PATTERN,
  marksFor,
  startPack,
  startPlan,
  wantedFiles,
  wantedFileSchema,
  type HandoverPlan,
  type PlannedMark,
  type PlannedPack,
  type PlannedSize,
  type WantedFile,
} from './plan';
