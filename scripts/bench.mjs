/** `npm run bench`: prints medians, 95th percentiles and their ratio to the budgets. It asserts nothing; machines differ. */
import { ensureDebianPackages, ensureNpmPackages } from './setup/packages.mjs';
import { say } from './setup/say.mjs';

await ensureNpmPackages();
await ensureDebianPackages(['postgresql', 'chromium', 'libharfbuzz-bin', 'wamerican']);
const { withThrowawayApp } = await import('./setup/throwaway.mjs');
const { register } = await import('tsx/esm/api');
register();
const { artSearch, editOfThreeHundredParts, weldingBand } = await import('./bench/building.mjs');
const { keystrokeToPicture } = await import('./bench/keystroke.mjs');
const { editOfLockup } = await import('./bench/lettering-edit.mjs');
const { serverUnderLoad } = await import('./bench/load.mjs');
const { opticalKerningAgainstDesigners } = await import('./bench/optical-kerning.mjs');
const { builders } = await import('./bench/builders.mjs');
const { familyFollows, proofWall } = await import('./bench/family.mjs');
const { packOfSixty } = await import('./bench/handover.mjs');
const { goodsComposed, runOfPhotos } = await import('./bench/photos.mjs');
const { pictures } = await import('./bench/pictures.mjs');
const { treatments } = await import('./bench/treatments.mjs');
const { studioOfManyBrands } = await import('./bench/studio.mjs');
const { facesAgainstShaper, firstScreenAndScrolling } = await import('./bench/type-trials.mjs');

for (const line of await opticalKerningAgainstDesigners()) say(line);
for (const line of await facesAgainstShaper()) say(line);
for (const line of await weldingBand()) say(line);
for (const line of await treatments()) say(line);
for (const line of await pictures()) say(line);
for (const line of await builders()) say(line);
for (const line of await familyFollows()) say(line);
await withThrowawayApp('load', async (_browser, home, pid) => {
  for (const line of await serverUnderLoad(home, pid)) say(line);
});
await withThrowawayApp('bench', async (browser, home) => {
  for (const line of await keystrokeToPicture(browser, home)) say(line);
  for (const line of await editOfLockup(browser, home)) say(line);
  for (const line of await artSearch(home)) say(line);
  for (const line of await proofWall(browser, home)) say(line);
  for (const line of await editOfThreeHundredParts(browser, home)) say(line);
  for (const line of await firstScreenAndScrolling(browser, home)) say(line);
});
await withThrowawayApp('packs', async (_browser, home) => {
  for (const line of await packOfSixty(home)) say(line);
  for (const line of await goodsComposed(home)) say(line);
  for (const line of await runOfPhotos(home)) say(line);
});
await withThrowawayApp('studio', async (browser, home) => {
  for (const line of await studioOfManyBrands(browser, home)) say(line);
});
