export { adoptDiskFiles } from './adopt';
export { FILE_FOLDER, placeOf, pruneCopies } from './cache';
export { keepFilesTidy, sweepFiles } from './tidy';
export { clearUnnamed, filePieces, storedAmong, storedFile, storeFile } from './stored';
export { digestOf } from './digest';
