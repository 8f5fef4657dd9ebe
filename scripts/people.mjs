/** `npm run people`: takes people in, gives them passwords and roles, makes studios. Without further words, it says how. */
import { spawnSync } from 'node:child_process';
import { ensureBuild } from './setup/build.mjs';
import { dataFolder, ensureDatabase, startCluster } from './setup/cluster.mjs';
import { ensureNpmPackages } from './setup/packages.mjs';
import { PROJECT } from './setup/project.mjs';

await ensureNpmPackages();
await ensureBuild();
const cluster = process.env.DATABASE_URL ? undefined : await startCluster(dataFolder(process.env.DATA_NAME ?? 'studio'));
const { status } = spawnSync(process.execPath, [`${PROJECT}/build/heavy/people.js`, ...process.argv.slice(2)], {
  stdio: 'inherit',
  env: {
    ...process.env,
    NODE_ENV: 'production',
    LOAD_DEMO_BRANDS: '0',
    DATABASE_URL: process.env.DATABASE_URL ?? ensureDatabase(/** @type {any} */ (cluster), 'lucky_thistle'),
  },
});
cluster?.stop();
process.exit(status ?? 1);
