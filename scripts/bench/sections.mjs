import { withThrowawayApp } from '../setup/throwaway.mjs';
import { artSearch, editOfThreeHundredParts, oneColorOfManyParts, weldingBand } from './building.mjs';
import { keystrokeToPicture } from './keystroke.mjs';
import { editOfLockup } from './lettering-edit.mjs';
import { serverUnderLoad } from './load.mjs';
import { opticalKerningAgainstDesigners } from './optical-kerning.mjs';
import { builders } from './builders.mjs';
import { familyFollows, proofWall } from './family.mjs';
import { packOfSixty } from './handover.mjs';
import { goodsComposed, runOfPhotos } from './photos.mjs';
import { pictures } from './pictures.mjs';
import { pageOfStarts } from './starts.mjs';
import { treatments } from './treatments.mjs';
import { studioOfManyBrands } from './studio.mjs';
import { facesAgainstShaper, firstScreenAndScrolling } from './type-trials.mjs';

/**
 * What is measured, by name: `npm run bench` runs all of it, `npm run bench -- load studio` these two.
 * @type {Readonly<Record<string, () => Promise<readonly string[]>>>}
 */
export const SECTIONS = {
  kerning: opticalKerningAgainstDesigners,
  shaping: facesAgainstShaper,
  welding: async () => [...(await weldingBand()), ...(await oneColorOfManyParts())],
  treatments,
  pictures,
  builders,
  family: familyFollows,
  load: () => withThrowawayApp('load', (_browser, home, pid) => serverUnderLoad(home, pid)),
  table: () =>
    withThrowawayApp('bench', async (browser, home) => [
      ...(await keystrokeToPicture(browser, home)),
      ...(await editOfLockup(browser, home)),
      ...(await artSearch(home)),
      ...(await proofWall(browser, home)),
      ...(await editOfThreeHundredParts(browser, home)),
      ...(await firstScreenAndScrolling(browser, home)),
    ]),
  packs: () => withThrowawayApp('packs', (_browser, home, _pid, workerPid) => packOfSixty(home, workerPid)),
  photos: () =>
    withThrowawayApp('photos', async (_browser, home, _pid, workerPid) => [
      ...(await goodsComposed(home)),
      ...(await runOfPhotos(home, workerPid)),
    ]),
  starts: () => withThrowawayApp('starts', pageOfStarts),
  studio: () => withThrowawayApp('studio', studioOfManyBrands),
};
