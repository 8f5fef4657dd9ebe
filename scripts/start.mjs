/** `npm start`: the app for a studio's own work, on a database of its own and without the demo. On loopback unless HOST says otherwise; then people sign in. */
import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
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

const folder = dataFolder(process.env.DATA_NAME ?? 'studio');
/** What cookies of sessions are signed with; made once, readable by nobody else. */
const secretFile = join(folder, 'sign-in-secret');
if (!existsSync(secretFile)) writeFileSync(secretFile, randomBytes(32).toString('base64url'), { mode: 0o600 });

const cluster = process.env.DATABASE_URL ? undefined : await startCluster(folder);
let app;
let worker;
try {
  const databaseUrl = process.env.DATABASE_URL ?? ensureDatabase(/** @type {any} */ (cluster), 'lucky_thistle');
  const env = { SIGN_IN_SECRET: process.env.SIGN_IN_SECRET ?? readFileSync(secretFile, 'utf8') };
  app = await startApp({ port, databaseUrl, host: process.env.HOST ?? '127.0.0.1', origin: process.env.ORIGIN, env });
  worker = await startWorker({ databaseUrl });
} catch (error) {
  cluster?.stop();
  stop(`The app could not be started: ${/** @type {Error} */ (error).message}`);
}
say(`\nLucky Thistle is ready: ${process.env.ORIGIN ?? app.url}\nStop it with Ctrl-C.`);
await untilStopped(app, worker, cluster);
