import { describe, expect, it } from 'vitest';
import { read } from '../support/api';
import { useVisitor } from '../support/browser';

const test = useVisitor();
const TABLET = { width: 1024, height: 768, hasTouch: true, isMobile: true };

async function open(path: string, ready: string): Promise<void> {
  await test.visitor.page.setViewport(TABLET);
  await test.visitor.go(path);
  await test.visitor.page.waitForSelector(ready, { visible: true });
}
const tapOn = async (selector: string): Promise<void> => {
  const control = await test.visitor.page.waitForSelector(selector, { visible: true });
  await control?.tap();
};
const named = (name: string, role = 'button'): string => `::-p-aria([name="${name}"][role="${role}"])`;
const api = (path: string): string => `${test.app.url}/api/brands/${path}`;

describe('by fingers alone, on a tablet, in other rooms', () => {
  it('photos are chosen by taps, several too, and the stamp is pulled to its place', async () => {
    const { page } = test.visitor;
    interface Kept {
      readonly content: { readonly stamps: readonly { readonly x: number; readonly y: number; readonly anchor: string }[] };
    }
    const stamp = async () => (await read<Kept>(api('tidewrack-aerial/documents/photos'))).content.stamps[0];
    await open('/brands/tidewrack-aerial/photos', '[data-stamp] .hold');
    const before = await stamp();
    expect(before).toBeDefined();
    await tapOn('.grid button[data-photo]:nth-of-type(2)');
    await page.waitForSelector('.grid button[data-photo]:nth-of-type(2)[aria-current="true"]');
    expect(await page.$$eval('.grid button.chosen', (all) => all.length)).toBe(1);
    await tapOn(named('Several'));
    await tapOn('.grid button[data-photo]:nth-of-type(1)');
    await page.waitForFunction(() => document.querySelectorAll('.grid button.chosen').length === 2);
    await page.waitForFunction(() => document.querySelector('.sort')?.textContent?.includes('2 chosen'));
    await tapOn('.grid button[data-photo]:nth-of-type(1)');
    await page.waitForFunction(() => document.querySelectorAll('.grid button.chosen').length === 1);

    const { x, y, width, height } = await test.visitor.placeOf('[data-stamp] .hold');
    const [fromX, fromY] = [x + width / 2, y + height / 2];
    const finger = await page.touchscreen.touchStart(fromX, fromY);
    for (let step = 1; step <= 6; step++) await finger.move(fromX - 20 * step, fromY - 12 * step);
    // A finger that sets something down rests before it lifts; lifted in full swing, the browser takes the next tap as the end of the swing.
    await new Promise((resolve) => setTimeout(resolve, 250));
    await finger.end();
    await expect.poll(async () => (await stamp())?.anchor).toBe('free');
    const after = await stamp();
    expect([after?.x, after?.y]).not.toEqual([before?.x, before?.y]);
    await tapOn(named('Undo'));
    await expect.poll(stamp).toEqual(before);
  });

  it('a piece is laid out by a tap; a page of the sheet goes up, is left out, and all of it back', async () => {
    const { page } = test.visitor;
    const pieces = async () => (await read<{ role: string }[]>(api('windrow-kites/marks'))).filter(({ role }) => role === 'piece').length;
    const before = await pieces();
    await open('/brands/windrow-kites/pieces', 'ul[aria-label="Layouts"] svg path');
    await tapOn(named('Mark, then words, on the lead color'));
    await expect.poll(pieces).toBe(before + 1);

    interface Sheet {
      readonly content: { readonly left: readonly string[]; readonly order: readonly string[] } | null;
    }
    const sheet = async () => (await read<Sheet>(api('windrow-kites/documents/sheet'))).content;
    await open('/brands/windrow-kites/sheet', 'figure svg path');
    await tapOn(named('Move Colors up'));
    await expect.poll(async () => (await sheet())?.order.length ?? 0).toBeGreaterThan(0);
    const titles = () => page.$$eval('figure figcaption', (all) => all.map((each) => each.textContent?.trim()));
    await tapOn('li[aria-label="Please avoid"] button:last-of-type');
    await expect.poll(titles).not.toContain('Please avoid');
    await tapOn(named('Undo'));
    await expect.poll(titles).toContain('Please avoid');
  });
});
