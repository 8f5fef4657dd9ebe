import { describe, expect, it } from 'vitest';
import { palette, read, send } from '../support/api';
import { useVisitor } from '../support/browser';

const test = useVisitor();
interface Named {
  readonly name: string;
  readonly shelf: string;
}
const marksOf = async (brand: string) => read<Named[]>(`${test.app.url}/api/brands/${brand}/marks`);

describe('the family of a brand', () => {
  it('is renamed, reordered, duplicated, archived, removed and restored in one place; the last step can be undone', async () => {
    const { visitor } = test;
    await visitor.go('/brands/windrow-kites/marks/primary');
    await visitor.stage();
    await visitor.click('All marks');
    await visitor.fill('Name of Initial', 'Kite mark');
    await visitor.press('Enter', 'Tab');
    await visitor.sees('“Initial” is called “Kite mark” now.');
    await visitor.click('Move Kite mark up');
    await expect.poll(async () => (await marksOf('windrow-kites')).map(({ name }) => name).slice(0, 2)).toEqual(['Kite mark', 'Primary']);
    await visitor.page.waitForFunction(() => document.querySelector('dialog li input')?.getAttribute('aria-label') === 'Name of Kite mark');
    await visitor.click('Duplicate Kite mark');
    await visitor.sees('“Kite mark copy” stands at the end');
    await visitor.click('Remove Kite mark copy');
    await visitor.sees('“Kite mark copy” is removed.');
    await visitor.click('Undo');
    await expect.poll(async () => (await marksOf('windrow-kites')).filter(({ shelf }) => shelf === 'removed')).toEqual([]);
    await visitor.click('Archive Kite mark copy');
    await visitor.click('Restore Kite mark copy');
    await visitor.sees('“Kite mark copy” is back in the family.');
    // Its row stands in the family again, where it can be archived.
    await visitor.page.waitForSelector('::-p-aria([name="Archive Kite mark copy"][role="button"])');
    await visitor.fill('Name of Kite mark copy', 'Primary');
    await visitor.press('Enter', 'Tab');
    await visitor.sees('Another mark has this name.');
    await visitor.fill('Find a mark', 'nothing like it', 'searchbox');
    await visitor.sees('No mark is called so.');
  });
});

describe('the studio', () => {
  it('finds, orders, renames, copies, archives and restores brands', async () => {
    const { visitor } = test;
    for (let n = 0; n < 14; n++) await send(`${test.app.url}/api/brands`, 'POST', { name: `Crowd ${n}`, palette });
    await visitor.go('/');
    await visitor.sees('17 brands on the table');
    await visitor.sees('Show more (5 not shown)');
    await visitor.fill('Find a brand', 'aerial', 'searchbox');
    await visitor.sees('One brand found');
    await visitor.click('For Tidewrack Aerial');
    await visitor.click('Rename', 'menuitem');
    await visitor.fill('Name of the brand', 'Tidewrack Aerial Views');
    await visitor.press('Enter');
    await visitor.sees('is called “Tidewrack Aerial Views” now.');
    await visitor.click('For Tidewrack Aerial Views');
    await visitor.click('Archive', 'menuitem');
    await visitor.sees('No brand has all of these words');
    await visitor.click('Undo');
    await visitor.sees('One brand found');
    await visitor.click('For Tidewrack Aerial Views');
    await visitor.click('Duplicate', 'menuitem');
    await visitor.sees('Tidewrack Aerial Views copy');
    await visitor.page.waitForFunction(() => document.querySelectorAll('article').length === 2);
    const drawn = await visitor.page.$$eval('article', (strips) => strips.map((strip) => strip.querySelectorAll('svg path').length));
    expect(drawn[1]).toBe(drawn[0]);
  });
});

describe('any action', () => {
  it('is found by its name and done, and says what must be chosen first', async () => {
    const { visitor } = test;
    await visitor.go('/brands/gorsebank-rowing-club/marks/primary');
    await visitor.stage();
    await visitor.chord('Control', 'k');
    const field = 'What do you want to do?';
    await visitor.fill(field, 'match width', 'combobox');
    await visitor.sees('choose two parts first');
    await visitor.press('Enter');
    await visitor.sees('Find an action');
    await visitor.fill(field, 'export', 'combobox');
    await visitor.press('Enter');
    // The list of actions closes while the files open: Escape is for whoever has the focus in the end.
    await visitor.page.waitForFunction(() => document.activeElement?.closest('dialog[open]')?.textContent?.includes('Files of Primary'));
    // A key that comes while the one dialog gives way to the other may reach neither: people press it again.
    for (let press = 0; press < 5 && (await visitor.page.$('dialog[open]')); press++) {
      await visitor.press('Escape');
      await visitor.page.waitForFunction(() => !document.querySelector('dialog[open]'), { timeout: 3000 }).catch(() => undefined);
    }
    await visitor.seesNot('Files of Primary');
    // Until a dialog has gone, keys are its own.
    await visitor.dialogGone();
    await visitor.chord('Control', 'k');
    await visitor.fill(field, 'banner scroll', 'combobox');
    await visitor.press('Enter');
    await visitor.page.waitForFunction(() => document.querySelector('.part.open .title strong')?.textContent?.trim() === 'Scroll');
  });
});
