/** `npm run test:deep`: the sweeps that `npm test` runs on a seeded sample, in full. Their last figures stand in docs/deep-checks.md. */
import { ensureBuild } from './setup/build.mjs';
import { DEBIAN, ensureDebianPackages, ensureNpmPackages } from './setup/packages.mjs';
import { run } from './setup/run.mjs';

await ensureNpmPackages();
await ensureDebianPackages(Object.keys(DEBIAN));
await run('npx', ['svelte-kit', 'sync']);
await ensureBuild();
const files = [
  'tests/core/marks/one-color/one-color.test.ts',
  'tests/core/marks/planes.test.ts',
  'tests/core/marks/under-map.test.ts',
  'tests/core/marks/building/builders.test.ts',
  'tests/core/marks/building/ring-texts.test.ts',
  'tests/core/marks/building/florals.test.ts',
  'tests/core/marks/lettering/round-trip.test.ts',
  'tests/core/marks/treating/edits.test.ts',
  'tests/core/family/layouts.test.ts',
  'tests/core/pictures/ground.test.ts',
  'tests/core/pictures/tones.test.ts',
  'tests/core/fields/fields.test.ts',
  'tests/core/geometry/inscribed-disk.test.ts',
  'tests/core/marks/references.test.ts',
  'tests/core/pieces/layouts.test.ts',
  'tests/core/engraving/etch.test.ts',
  'tests/core/geometry/extrude.test.ts',
  'tests/core/watermark/protection.test.ts',
  'tests/reference/degenerate.test.ts',
  'tests/reference/hb-shape.test.ts',
  'tests/reference/combining.test.ts',
  'tests/reference/offsets.test.ts',
  'tests/reference/interlock.test.ts',
  'tests/reference/laid.test.ts',
  'tests/reference/hostile-fonts.test.ts',
  'tests/reference/scenes.test.ts',
  'tests/reference/trace.test.ts',
  'tests/reference/treatments.test.ts',
  'tests/client/work/open-work.test.ts',
  'tests/server/first-start.test.ts',
  'tests/browser/accidents.test.ts',
  'tests/browser/files-agree.test.ts',
  'tests/browser/first-mark.test.ts',
  'tests/server/durability.test.ts',
  'tests/server/brand-file.test.ts',
  'tests/server/handover.test.ts',
  'tests/server/handover-kills.test.ts',
  'tests/server/photos.test.ts',
  'tests/server/print-desk.test.ts',
  'tests/server/treatments.test.ts',
];
process.exit(
  await run('npx', ['vitest', 'run', '--testTimeout=3600000', ...files], { env: { ...process.env, DEEP: '1' }, stdio: 'inherit' }),
);
