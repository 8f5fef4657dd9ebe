import { randomUUID } from 'node:crypto';
import { mkdtempSync } from 'node:fs';
import { inject } from 'vitest';
import { startApp } from '../../scripts/setup/app.mjs';
import { ensureDatabase } from '../../scripts/setup/cluster.mjs';
import { freePort } from '../../scripts/setup/free-port.mjs';
import { startWorker } from '../../scripts/setup/worker.mjs';

/** The built app on a database of its own. */
export async function startTestApp(options: { readonly demo?: boolean } = {}) {
  const cluster = inject('cluster');
  const databaseUrl = ensureDatabase(cluster, `test_${randomUUID().slice(0, 8)}`);
  const start = (demo: boolean, port: number, folder = fileFolder) =>
    startApp({ port, databaseUrl, demo, quiet: true, fileFolder: folder });
  const fileFolder = mkdtempSync('/tmp/lucky-files-');
  const port = await freePort();
  const app = await start(options.demo ?? true, port);
  return {
    ...app,
    databaseUrl,
    fileFolder,
    /** A second web process on the same database; with a disk of its own it is as if it ran on another machine. */
    another: async ({ ownDisk = false } = {}) => start(false, await freePort(), ownDisk ? mkdtempSync('/tmp/lucky-files-') : fileFolder),
    /** A process that makes the files of packs; each with a disk of its own. */
    worker: () => startWorker({ databaseUrl, fileFolder: mkdtempSync('/tmp/lucky-worker-') }),
    /** The same address again, once it was killed. */
    revived: () => start(false, port),
  };
}
