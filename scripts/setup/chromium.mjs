import { mkdtempSync, rmSync } from 'node:fs';
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

/** Debian's Chromium without a window, with a fresh profile that is thrown away at the end. */
export async function startChromium() {
  const userDataDir = mkdtempSync('/tmp/lucky-chromium-');
  const browser = await puppeteer.launch({ executablePath: '/usr/bin/chromium', headless: true, args: FLAGS, userDataDir });
  return {
    browser,
    close: async () => {
      await browser.close();
      rmSync(userDataDir, { recursive: true, force: true, maxRetries: 5 });
    },
  };
}
