import puppeteer from 'puppeteer-core';
import { mkdtempSync, rmSync } from 'node:fs';
import { startApp } from './app.mjs';
import { ensureBuild } from './build.mjs';
import { dataFolder, ensureDatabase, startCluster } from './cluster.mjs';
import { freePort } from './free-port.mjs';

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--force-color-profile=srgb',
];

/**
 * Runs something against the built app with the demo data, a database of its own and a fresh browser, and clears all of it away.
 * @param {string} name
 * @param {(browser: import('puppeteer-core').Browser, home: string) => Promise<void>} use
 */
export async function withThrowawayApp(name, use) {
  await ensureBuild();
  const cluster = await startCluster(dataFolder(`${name}-${process.pid}`));
  const userDataDir = mkdtempSync('/tmp/lucky-chromium-');
  try {
    const app = await startApp({
      port: await freePort(),
      databaseUrl: ensureDatabase(cluster, name),
      demo: true,
      quiet: true,
      fileFolder: `${userDataDir}-files`,
    });
    const browser = await puppeteer.launch({ executablePath: '/usr/bin/chromium', headless: true, args: FLAGS, userDataDir });
    try {
      await use(browser, app.url);
    } finally {
      await browser.close();
      await app.stop();
    }
  } finally {
    cluster.remove();
    rmSync(`${userDataDir}-files`, { recursive: true, force: true });
    rmSync(userDataDir, { recursive: true, force: true, maxRetries: 5 });
  }
}
