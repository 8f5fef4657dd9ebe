/** `npm run demo`: from a bare machine to the running app. Installs what is missing, starts the project's own database, builds, serves. */
import { startApp } from './setup/app.mjs';
import { ensureBuild } from './setup/build.mjs';
import { dataFolder, ensureDatabase, startCluster } from './setup/cluster.mjs';
import { isPortFree } from './setup/free-port.mjs';
import { ensureDebianPackages, ensureNpmPackages } from './setup/packages.mjs';
import { say, stop } from './setup/say.mjs';
import { untilStopped } from './setup/until-stopped.mjs';
import { startWorker } from './setup/worker.mjs';

const port = Number(process.env.PORT ?? 4173);
if (!Number.isInteger(port) || port < 1 || port > 65_535) stop(`PORT must be a number from 1 to 65535, but is “${process.env.PORT}”.`);

if (!(await isPortFree(port))) stop(`Something else is using port ${port}. Choose another with PORT=….`);

await ensureNpmPackages();
await ensureDebianPackages(['postgresql']);
await ensureBuild();
const cluster = await startCluster(dataFolder(process.env.DATA_NAME ?? 'demo'));
let app;
let worker;
try {
  const databaseUrl = ensureDatabase(cluster, 'lucky_thistle');
  app = await startApp({ port, databaseUrl, demo: true });
  worker = await startWorker({ databaseUrl });
} catch (error) {
  cluster.stop();
  stop(`The app could not be started: ${error.message}`);
}
say(`\nLucky Thistle is ready: ${app.url}\nStop it with Ctrl-C.`);
await untilStopped(app, worker, cluster);
