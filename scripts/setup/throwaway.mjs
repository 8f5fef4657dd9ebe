import { mkdtempSync, rmSync } from 'node:fs';
import { startApp } from './app.mjs';
import { ensureBuild } from './build.mjs';
import { startChromium } from './chromium.mjs';
import { dataFolder, ensureDatabase, startCluster } from './cluster.mjs';
import { freePort } from './free-port.mjs';
import { startWorker } from './worker.mjs';

/**
 * Runs something against the built app with the demo data, a database of its own and a fresh browser, and clears all of it away.
 * @template T
 * @param {string} name
 * @param {(browser: import('puppeteer-core').Browser, home: string, pid: number, workerPid: number) => Promise<T>} use
 * @returns {Promise<T>} what it makes
 */
export async function withThrowawayApp(name, use) {
  await ensureBuild();
  const cluster = await startCluster(dataFolder(`${name}-${process.pid}`));
  const fileFolder = mkdtempSync('/tmp/lucky-files-');
  try {
    const databaseUrl = ensureDatabase(cluster, name);
    const app = await startApp({ port: await freePort(), databaseUrl, fileFolder, demo: true, quiet: true });
    const worker = await startWorker({ databaseUrl, fileFolder });
    const chromium = await startChromium();
    try {
      return await use(chromium.browser, app.url, app.pid ?? 0, worker.pid ?? 0);
    } finally {
      await chromium.close();
      await Promise.all([app.stop(), worker.stop()]);
    }
  } finally {
    cluster.remove();
    rmSync(fileFolder, { recursive: true, force: true });
  }
}
