/** `npm run worker`: one more worker that makes files of packs, here or on any machine that reaches the database (DATABASE_URL). */
import { ensureBuild } from './setup/build.mjs';
import { dataFolder, ensureDatabase, startCluster } from './setup/cluster.mjs';
import { ensureNpmPackages } from './setup/packages.mjs';
import { say } from './setup/say.mjs';
import { startWorker } from './setup/worker.mjs';

await ensureNpmPackages();
await ensureBuild();
const cluster = process.env.DATABASE_URL ? undefined : await startCluster(dataFolder(process.env.DATA_NAME ?? 'demo'));
const worker = await startWorker({
  databaseUrl: process.env.DATABASE_URL ?? ensureDatabase(/** @type {any} */ (cluster), 'lucky_thistle'),
});
say('A worker is making files. Stop it with Ctrl-C.');
const shutDown = async () => {
  await worker.stop();
  cluster?.stop();
  process.exit(0);
};
process.on('SIGINT', shutDown);
process.on('SIGTERM', shutDown);
process.exit(Number(await worker.end));
