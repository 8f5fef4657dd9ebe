/** `npm run bench`: prints medians, 95th percentiles and their ratio to the budgets. It asserts nothing; machines differ. */
import { ensureDebianPackages, ensureNpmPackages } from './setup/packages.mjs';
import { say } from './setup/say.mjs';

await ensureNpmPackages();
await ensureDebianPackages(['postgresql', 'chromium', 'libharfbuzz-bin', 'wamerican']);
const { withThrowawayApp } = await import('./setup/throwaway.mjs');
const { register } = await import('tsx/esm/api');
register();
const { artSearch, editOfThreeHundredParts, oneColorOfManyParts, weldingBand } = await import('./bench/building.mjs');
const { keystrokeToPicture } = await import('./bench/keystroke.mjs');
const { editOfLockup } = await import('./bench/lettering-edit.mjs');
const { serverUnderLoad } = await import('./bench/load.mjs');
const { opticalKerningAgainstDesigners } = await import('./bench/optical-kerning.mjs');
const { builders } = await import('./bench/builders.mjs');
const { familyFollows, proofWall } = await import('./bench/family.mjs');
const { packOfSixty } = await import('./bench/handover.mjs');
const { goodsComposed, runOfPhotos } = await import('./bench/photos.mjs');
const { pictures } = await import('./bench/pictures.mjs');
const { pageOfStarts } = await import('./bench/starts.mjs');
const { treatments } = await import('./bench/treatments.mjs');
const { studioOfManyBrands } = await import('./bench/studio.mjs');
const { facesAgainstShaper, firstScreenAndScrolling } = await import('./bench/type-trials.mjs');

/**
 * What is measured, by name: `npm run bench` runs all of it, `npm run bench -- load studio` these two.
 * @type {Readonly<Record<string, () => Promise<readonly string[]>>>}
 */
const SECTIONS = {
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
  packs: () => withThrowawayApp('packs', async (_browser, home) => packOfSixty(home)),
  photos: () => withThrowawayApp('photos', async (_browser, home) => [...(await goodsComposed(home)), ...(await runOfPhotos(home))]),
  starts: () => withThrowawayApp('starts', pageOfStarts),
  studio: () => withThrowawayApp('studio', studioOfManyBrands),
};

const wanted = process.argv.slice(2);
const unknown = wanted.filter((name) => !(name in SECTIONS));
if (unknown.length > 0) {
  say(`There is nothing called ${unknown.join(', ')}. There are: ${Object.keys(SECTIONS).join(', ')}.`);
  process.exitCode = 1;
} else
  for (const [name, measure] of Object.entries(SECTIONS))
    if (wanted.length === 0 || wanted.includes(name)) for (const line of await measure()) say(line);
