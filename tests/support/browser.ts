import type { Browser, Page } from 'puppeteer-core';
import { afterAll, afterEach, beforeAll, beforeEach, expect } from 'vitest';
import { arrive } from '../../scripts/setup/arrive.mjs';
import { startChromium } from '../../scripts/setup/chromium.mjs';
import { startTestApp } from './test-app';

export type TestBrowser = Awaited<ReturnType<typeof startChromium>>;
export const startBrowser = startChromium;

/** A page, and what a person does on it: by names that are read aloud, waiting for what is seen. */
export class Visitor {
  readonly errors: string[] = [];

  constructor(
    readonly page: Page,
    private readonly home: string,
  ) {
    page.on('pageerror', (error) => this.errors.push(String(error)));
    // Far above what is needed: a busy machine is no failure.
    page.setDefaultTimeout(60_000);
  }

  static async arrive(browser: Pick<Browser, 'newPage'>, home: string): Promise<Visitor> {
    const page = await browser.newPage();
    await page.setViewport({ width: 1280, height: 800 });
    return new Visitor(page, home);
  }

  go = (path: string) => arrive(this.page, this.home + path);
  click = (name: string, role = 'button') => this.page.locator(`::-p-aria([name="${name}"][role="${role}"])`).click();
  async fill(name: string, text: string, role = 'textbox'): Promise<void> {
    const field = await this.page.waitForSelector(`::-p-aria([name="${name}"][role="${role}"])`, { visible: true });
    // A dialog that opens takes the focus to its first control; who types sees that and goes back into the field.
    for (let again = 0; again < 3; again++) {
      await field?.click({ count: 3 });
      await field?.press('Backspace');
      await field?.type(text);
      if (await field?.evaluate((each) => !each.isConnected || each === document.activeElement)) return;
    }
  }
  /** Chooses an option of a list by its label and value, as a person would by mouse. */
  async pick(label: string, value: string): Promise<void> {
    const list = await this.page.waitForSelector(`::-p-aria([name="${label}"][role="combobox"])`, { visible: true });
    await list?.select(value);
  }
  /** Where something is on the screen, once it has stopped moving. */
  async placeOf(selector: string): Promise<{ readonly x: number; readonly y: number; readonly width: number; readonly height: number }> {
    await this.page.waitForSelector(selector, { visible: true });
    return this.page.evaluate(async (wanted) => {
      const frame = () => new Promise((resolve) => requestAnimationFrame(resolve));
      const rect = () => {
        const { x, y, width, height } = document.querySelector(wanted)?.getBoundingClientRect() ?? new DOMRect();
        return { x, y, width, height };
      };
      for (let before = rect(); ;) {
        for (let n = 0; n < 6; n++) await frame();
        const now = rect();
        if (now.width > 0 && JSON.stringify(now) === JSON.stringify(before)) return now;
        before = now;
      }
    }, selector);
  }
  press = async (...keys: Parameters<Page['keyboard']['press']>[0][]): Promise<void> => {
    for (const key of keys) await this.page.keyboard.press(key);
  };
  async chord(modifier: 'Control' | 'Shift' | 'Alt', key: Parameters<Page['keyboard']['press']>[0]): Promise<void> {
    await this.page.keyboard.down(modifier);
    await this.page.keyboard.press(key);
    await this.page.keyboard.up(modifier);
  }
  /** Waits for words; where they never come, what the page says instead is told. */
  sees = async (text: string): Promise<void> => {
    try {
      await this.page.waitForFunction((wanted) => document.body.innerText.includes(wanted), {}, text);
    } catch (error) {
      const says = await this.page.evaluate(() => `${location.pathname}: ${document.body.innerText.slice(0, 600)}`).catch(() => 'nothing');
      throw new Error(`“${text}” is not to be seen. ${says} ${this.errors.join(' ')}`, { cause: error });
    }
  };
  /** Waits for words in what a dialog says of itself; where they never come, what it says instead is told. */
  dialogSays = async (words: string): Promise<void> => {
    const all = () => this.page.$$eval('dialog [role="status"]', (notes) => notes.map((note) => note.textContent));
    try {
      await this.page.waitForFunction(
        (wanted) => [...document.querySelectorAll('dialog [role="status"]')].some((each) => each.textContent?.includes(wanted)),
        {},
        words,
      );
    } catch (error) {
      const says = await all().catch(() => []);
      throw new Error(`No dialog says “${words}”, but: ${says.join(' | ') || 'nothing'}. ${this.errors.join(' ')}`, { cause: error });
    }
  };
  seesNot = (text: string) => this.page.waitForFunction((wanted) => !document.body.innerText.includes(wanted), {}, text);
  /** Waits until no dialog lies over the page and the focus has left the last one. */
  dialogGone = () => this.page.waitForFunction(() => !document.querySelector('dialog[open]') && !document.activeElement?.closest('dialog'));
  saved = () =>
    this.page.waitForFunction(() =>
      [...document.querySelectorAll('[role="status"]')].some((note) => /^Saved /.test(note.textContent?.trim() ?? '')),
    );

  /** Puts the focus on something once it is there and can have it. */
  focus = (selector: string) =>
    this.page.waitForFunction(
      (wanted) => {
        const at = document.querySelector<HTMLElement>(wanted);
        at?.focus();
        return at !== null && document.activeElement === at;
      },
      {},
      selector,
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

/** The app, a browser and, for every test, a fresh page that must end without an error; all cleared away at the end. */
export function useVisitor(options: { readonly demo?: boolean } = {}): {
  readonly app: Awaited<ReturnType<typeof startTestApp>>;
  readonly browser: Browser;
  readonly visitor: Visitor;
} {
  let app: Awaited<ReturnType<typeof startTestApp>>;
  let chromium: TestBrowser;
  let visitor: Visitor;
  beforeAll(async () => {
    app = await startTestApp(options);
    chromium = await startChromium();
  });
  afterAll(async () => {
    await chromium.close();
    await app.stop();
  });
  beforeEach(async () => {
    visitor = await Visitor.arrive(chromium.browser, app.url);
  });
  afterEach(async () => {
    expect(visitor.errors).toEqual([]);
    await visitor.page.close();
  });
  return {
    get app() {
      return app;
    },
    get browser() {
      return chromium.browser;
    },
    get visitor() {
      return visitor;
    },
  };
}
