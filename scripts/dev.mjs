/** `npm run dev`: the app from its sources, reloading as they change, on the same database as the demo. */
import { dataFolder, ensureDatabase, startCluster } from './setup/cluster.mjs';
import { ensureDebianPackages, ensureNpmPackages } from './setup/packages.mjs';
import { run } from './setup/run.mjs';

await ensureNpmPackages();
await ensureDebianPackages(['postgresql']);
const cluster = await startCluster(dataFolder('demo'));
const env = { ...process.env, DATABASE_URL: ensureDatabase(cluster, 'lucky_thistle'), LOAD_DEMO_BRANDS: '1' };
process.on('SIGINT', () => undefined); // Vite ends by itself; then the database is stopped below.
await run('npx', ['vite', 'dev', '--host', '127.0.0.1', '--port', process.env.PORT ?? '5173'], { env, stdio: 'inherit' });
cluster.stop();
