/** `npm run test:core`: the core's own tests; seconds, no database, no browser. */
import { ensureNpmPackages } from './setup/packages.mjs';
import { run } from './setup/run.mjs';

await ensureNpmPackages();
process.exit(await run('npx', ['vitest', 'run', '--project', 'core', ...process.argv.slice(2)]));
