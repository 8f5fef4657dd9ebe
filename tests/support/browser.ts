import { mkdtempSync, rmSync } from 'node:fs';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';

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

export interface TestBrowser {
  readonly browser: Browser;
  readonly close: () => Promise<void>;
}

/** Headless Chromium with a fresh profile. */
export async function startBrowser(): Promise<TestBrowser> {
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

/** A page, and what a person does on it: by names that are read aloud, waiting for what is seen. */
export class Visitor {
  readonly errors: string[] = [];

  constructor(
    readonly page: Page,
    private readonly home: string,
  ) {
    page.on('pageerror', (error) => this.errors.push(String(error)));
    page.setDefaultTimeout(20_000);
  }

  static async arrive(browser: Browser, home: string): Promise<Visitor> {
    const page = await browser.newPage();
    await page.setViewport({ width: 1280, height: 800 });
    return new Visitor(page, home);
  }

  go = (path: string) => this.page.goto(this.home + path, { waitUntil: 'networkidle0' });
  click = (name: string, role = 'button') => this.page.locator(`::-p-aria([name="${name}"][role="${role}"])`).click();
  async fill(name: string, text: string, role = 'textbox'): Promise<void> {
    const field = await this.page.waitForSelector(`::-p-aria([name="${name}"][role="${role}"])`, { visible: true });
    await field?.click({ count: 3 });
    await field?.press('Backspace');
    await field?.type(text);
  }
  press = async (...keys: Parameters<Page['keyboard']['press']>[0][]): Promise<void> => {
    for (const key of keys) await this.page.keyboard.press(key);
  };
  async chord(modifier: 'Control' | 'Shift' | 'Alt', key: Parameters<Page['keyboard']['press']>[0]): Promise<void> {
    await this.page.keyboard.down(modifier);
    await this.page.keyboard.press(key);
    await this.page.keyboard.up(modifier);
  }
  sees = (text: string) => this.page.waitForFunction((wanted) => document.body.innerText.includes(wanted), {}, text);
  seesNot = (text: string) => this.page.waitForFunction((wanted) => !document.body.innerText.includes(wanted), {}, text);
  saved = () =>
    this.page.waitForFunction(() =>
      [...document.querySelectorAll('[role="status"]')].some((note) => /^Saved /.test(note.textContent?.trim() ?? '')),
    );

  /** The markup of the stage, once it is drawn. */
  async stage(): Promise<string> {
    await this.page.waitForSelector('[data-stage] path');
    return this.page.$eval('[data-stage]', (stage) => stage.innerHTML);
  }
  /** Waits until the stage shows something else than before. */
  async stageAfter(before: string): Promise<string> {
    await this.page.waitForFunction(
      (old) => document.querySelector('[data-stage]')?.innerHTML !== old && document.querySelector('[data-stage] path') !== null,
      {},
      before,
    );
    return this.stage();
  }
  stageIs = (wanted: string) =>
    this.page.waitForFunction((picture) => document.querySelector('[data-stage]')?.innerHTML === picture, {}, wanted);
}
