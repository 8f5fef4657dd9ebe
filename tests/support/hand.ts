import type { KeyInput } from 'puppeteer-core';
import type { Visitor } from './browser';

type Chord = 'Control' | 'Shift' | 'Alt';

/**
 * A hand at the table that counts what it does: a click, a pull, a key or chord, a value typed with its Enter are one gesture each. Going
 * into a field by a click is one, and typing there another.
 */
export class Hand {
  readonly done: string[] = [];

  constructor(private readonly visitor: Visitor) {}

  get gestures(): number {
    return this.done.length;
  }
  private get page() {
    return this.visitor.page;
  }
  async does(what: string, act: () => Promise<unknown>): Promise<void> {
    this.done.push(what);
    try {
      await act();
    } catch (error) {
      throw new Error(`after ${this.done.join(' · ')}`, { cause: error });
    }
  }

  press = (key: KeyInput) => this.does(key, () => this.page.keyboard.press(key));
  chord = (modifier: Chord, key: KeyInput) => this.does(`${modifier} ${key}`, () => this.visitor.chord(modifier, key));
  /** Something by the name that is read aloud. */
  click = (name: string, role = 'button') => this.does(`click ${name}`, () => this.visitor.click(name, role));
  /** Something by a selector, in whose text there is `text`. */
  clickOn = (selector: string, text = '') =>
    this.does(`click ${text || selector}`, () => this.page.locator(text ? `${selector} ::-p-text(${text})` : selector).click());
  /** With a key held down. */
  clickWith = (modifier: Chord, selector: string, text: string) =>
    this.does(`${modifier} click ${text}`, async () => {
      await this.page.keyboard.down(modifier);
      await this.page.locator(`${selector} ::-p-text(${text})`).click();
      await this.page.keyboard.up(modifier);
    });
  /** Into whatever has the keys. */
  type = (text: string) =>
    this.does(`“${text}”`, async () => {
      await this.page.keyboard.type(text);
      await this.page.keyboard.press('Enter');
    });
  /** A click into a field, and what is typed there instead of what it says. */
  async fill(name: string, text: string, role = 'textbox'): Promise<void> {
    await this.does(`into ${name}`, async () => {
      const field = await this.page.waitForSelector(`::-p-aria([name="${name}"][role="${role}"])`, { visible: true });
      await field?.click({ count: 3 });
    });
    await this.type(text);
  }
  pick = (label: string, value: string) => this.does(`${label}: ${value}`, () => this.visitor.pick(label, value));
  /** The add key, and what is wanted with its Enter. @param first how the name of what stands first begins */
  async add(words: string, first: string): Promise<void> {
    await this.press('/');
    await this.does(`add “${words}”`, async () => {
      await this.page.keyboard.type(words);
      await this.page.waitForFunction(
        (wanted) => document.querySelector('[role="option"][aria-selected="true"]')?.textContent?.trim().startsWith(wanted),
        {},
        first,
      );
      await this.page.keyboard.press('Enter');
    });
  }
  /** An action by its name. */
  async find(words: string): Promise<void> {
    await this.chord('Control', 'k');
    await this.does(`find “${words}”`, async () => {
      await this.visitor.fill('What do you want to do?', words, 'combobox');
      await this.page.keyboard.press('Enter');
      await this.visitor.dialogGone();
    });
  }
  /** Into a menu of the table's bar, and an item. */
  async menu(menu: string, item: string): Promise<void> {
    await this.clickOn('[role="toolbar"] button', menu);
    await this.does(item, () => this.page.locator(`[role="menuitem"]::-p-text(${item})`).click());
  }
  row = (label: string) => this.clickOn('section[aria-label="Recipe"] button.title', label);
  rowToo = (label: string) => this.clickWith('Control', 'section[aria-label="Recipe"] button.title', label);
  /** From the middle of something, by so much. */
  pull = (selector: string, dx: number, dy: number) =>
    this.does(`pull ${selector}`, async () => {
      const { x, y, width, height } = await this.visitor.placeOf(selector);
      const [fromX, fromY] = [x + width / 2, y + height / 2];
      await this.page.mouse.move(fromX, fromY);
      await this.page.mouse.down();
      await this.page.mouse.move(fromX + dx / 2, fromY + dy / 2, { steps: 4 });
      await this.page.mouse.move(fromX + dx, fromY + dy, { steps: 4 });
      await this.page.mouse.up();
    });
}
