/** `npm run bench`: prints medians, 95th percentiles and their ratio to the budgets. It asserts nothing; machines differ. */
import { ensureDebianPackages, ensureNpmPackages } from './setup/packages.mjs';
import { say } from './setup/say.mjs';

await ensureNpmPackages();
await ensureDebianPackages(['postgresql', 'chromium']);
const { withThrowawayApp } = await import('./setup/throwaway.mjs');
const { keystrokeToPicture } = await import('./bench/keystroke.mjs');

await withThrowawayApp('bench', async (browser, home) => {
  for (const line of await keystrokeToPicture(browser, home)) say(line);
});
