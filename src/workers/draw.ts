import { drawnBuilding } from './drawing/building';
import { measuredMarks } from './drawing/measures';
import { drawnPictures } from './drawing/pictures';
import { DrawingTable } from './drawing/table';
import { drawnWatermarks } from './drawing/watermarks';
import { drawnWords } from './drawing/words';

export type { NewBuilt } from './drawing/building';
export type { SmallSizes } from './drawing/measures';
export type { BrandNews } from './drawing/table';
export type { WatermarkOrder, WatermarkPicture } from './drawing/watermarks';
export type { FaceInfo, FormPicture, GapPicture, SpacingPicture, WordPicture } from './drawing/words';

/**
 * What the worker does for the page; the door (`draw.worker.ts`) only hands it out.
 * @param pathLibrary where the bytes of the path library are fetched from
 */
export function createDraughtsman(pathLibrary: string) {
  const table = new DrawingTable(pathLibrary);
  const { open, tell, lend } = table;
  return {
    ...{ open, tell, lend },
    ...drawnPictures(table),
    ...drawnWatermarks(table),
    ...measuredMarks(table),
    ...drawnBuilding(table),
    ...drawnWords(table),
  };
}
export type Draughtsman = ReturnType<typeof createDraughtsman>;
