import { mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import puppeteer from 'puppeteer-core';

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

/** Debian's Chromium without a window, with a profile that is thrown away at the end: a fresh one, or one that a killed browser left. */
export async function startChromium(userDataDir = mkdtempSync('/tmp/lucky-chromium-')) {
  const browser = await puppeteer.launch({ executablePath: '/usr/bin/chromium', headless: true, args: FLAGS, userDataDir });
  return {
    browser,
    /** Ends it as a power cut does; what comes back starts another one on the same profile. */
    kill: async () => {
      const gone = new Promise((resolve) => browser.process()?.once('exit', resolve));
      browser.process()?.kill('SIGKILL');
      await gone;
      for (const lock of ['SingletonLock', 'SingletonSocket', 'SingletonCookie']) rmSync(join(userDataDir, lock), { force: true });
      return () => startChromium(userDataDir);
    },
    close: async () => {
      await browser.close();
      rmSync(userDataDir, { recursive: true, force: true, maxRetries: 5 });
    },
  };
}
