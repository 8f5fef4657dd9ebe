import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import { recipeOf, read, send } from '../support/api';
import { useVisitor } from '../support/browser';

const test = useVisitor();

interface Saved {
  readonly recipe: { readonly parts: readonly Record<string, unknown>[] };
}
const mark = (slug: string) => read<Saved>(`${test.app.url}/api/brands/windrow-kites/marks/${slug}`);

/** A mark with a name only, where the job begins. */
async function begin(name: string): Promise<string> {
  const recipe = recipeOf({ kind: 'lettering', id: 'name', text: 'Name', font: { family: 'marcellus' } });
  const made = await send<{ slug: string }>(`${test.app.url}/api/brands/windrow-kites/marks`, 'POST', { name, role: 'secondary', recipe });
  await test.visitor.go(`/brands/windrow-kites/marks/${made.value.slug}`);
  await test.visitor.stage();
  return made.value.slug;
}

async function downloading(): Promise<string> {
  const folder = mkdtempSync('/tmp/lucky-downloads-');
  const session = await test.visitor.page.createCDPSession();
  await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder });
  return folder;
}
async function arrived(folder: string): Promise<readonly string[]> {
  const there = () => readdirSync(folder).filter((file) => !file.endsWith('.crdownload'));
  for (let tries = 0; there().length < 2 && tries < 100; tries++) await new Promise((resolve) => setTimeout(resolve, 100));
  return ['.png', '.svg'].map((end) => there().find((file) => file.endsWith(end)) ?? '');
}

/** What both ways of working must have made: kerned, flipped, cut, with a second line, a ring, and three tries. */
async function holdsTheJob(slug: string): Promise<void> {
  const { recipe } = await mark(slug);
  const name = recipe.parts.find(({ text }) => text === 'Saltrow') as Record<string, unknown[]> & { font: { family: string } };
  expect(name.font.family).toBe('zilla-slab');
  expect(name['gaps']?.length).toBe(2);
  expect(name['letters']).toMatchObject([{ flip: 'across' }]);
  expect(name['cuts']?.length).toBe(1);
  const second = recipe.parts.find(({ text }) => text === 'Boat hire');
  expect(second).toMatchObject({ companion: { part: 'name' }, fit: { to: { kind: 'part', part: 'name' } } });
  expect(recipe.parts.filter(({ line }) => (line as { shape?: string } | undefined)?.shape === 'arc').length).toBe(2);
}

const seesTries = (count: number) =>
  test.visitor.page.waitForFunction(
    (wanted) => document.querySelectorAll('section[aria-label="Tries"] button[aria-label^="Compare"]').length === wanted,
    {},
    count,
  );

describe('a job done by keys alone', () => {
  it('goes from a name to files, and is still editable tomorrow', async () => {
    const { visitor } = test;
    const slug = await begin('By keys');
    const { page } = visitor;
    /** Walks by Tab until something with a name that is read aloud has the focus. */
    const tabTo = async (name: RegExp, back = false): Promise<void> => {
      for (let steps = 0; steps < 220; steps++) {
        if (back) await page.keyboard.down('Shift');
        await page.keyboard.press('Tab');
        if (back) await page.keyboard.up('Shift');
        // The name that is read aloud, near enough: its own, its label's, or its text.
        const here = await page.evaluate(() => {
          const at = document.activeElement as HTMLInputElement | null;
          const label = [...(at?.labels ?? [])].map(({ textContent }) => textContent ?? '').join(' ');
          const text =
            at?.tagName === 'INPUT'
              ? at.type === 'radio'
                ? at.value
                : ''
              : /^(BUTTON|A|SUMMARY)$/.test(at?.tagName ?? '')
                ? (at?.textContent ?? '')
                : '';
          return (at?.getAttribute('aria-label') || label.trim() || text).replace(/\s+/g, ' ').trim();
        });
        if (name.test(here)) return;
      }
      throw new Error(`the Tab key never reaches ${name}`);
    };
    const type = (text: string) => page.keyboard.type(text);
    const chord = visitor.chord;

    // The name, typed over the old one.
    await tabTo(/^Name/);
    await visitor.press('Enter');
    await tabTo(/^Text$/);
    const before = await visitor.stage();
    await chord.call(visitor, 'Control', 'a');
    await type('Saltrow');
    const named = await visitor.stageAfter(before);

    // Another face.
    await tabTo(/Marcellus/);
    await visitor.press('Enter');
    await type('zilla');
    await page.waitForSelector('::-p-aria([name="Zilla Slab, slab serif"][role="button"])');
    await visitor.press('ArrowDown', 'Enter');
    const refaced = await visitor.stageAfter(named);

    // Two pairs kerned and a letter flipped, on the stage.
    await tabTo(/^Stage/);
    await visitor.press('Enter', '.');
    await page.keyboard.down('Alt');
    await visitor.press('ArrowLeft', 'ArrowLeft');
    await page.keyboard.up('Alt');
    const kerned = await visitor.stageAfter(refaced);
    await visitor.press('.', '.');
    await page.keyboard.down('Alt');
    await visitor.press('ArrowRight');
    await page.keyboard.up('Alt');
    const twice = await visitor.stageAfter(kerned);
    await visitor.press('.', 'f');
    const flipped = await visitor.stageAfter(twice);

    // A cut through that letter, from its fold.
    await tabTo(/Cuts and rings/, true);
    await visitor.press('Enter');
    await tabTo(/Bar$/);
    await visitor.press('Enter');
    const cut = await visitor.stageAfter(flipped);

    // A second line, fitted to the name.
    await tabTo(/^Stage/);
    await visitor.press('/');
    await type('descr');
    await visitor.press('Enter');
    await visitor.stageAfter(cut);
    await tabTo(/^Text$/);
    await chord.call(visitor, 'Control', 'a');
    await type('Boat hire');
    await tabTo(/^Fit/);
    await visitor.press('Enter');
    await tabTo(/Fitted to/);
    await visitor.press('ArrowDown', 'ArrowDown');
    await visitor.sees('By, in this order:');

    // A try, the ring, another try, a smaller ring, a third.
    await tabTo(/^Stage/);
    await visitor.press('t');
    await seesTries(1);
    const plain = await visitor.stage();
    await visitor.press('/');
    await type('ring text');
    await visitor.press('Enter');
    const ringed = await visitor.stageAfter(plain);
    await tabTo(/^Stage/);
    await visitor.press('t');
    await seesTries(2);
    await visitor.press('ArrowRight');
    await visitor.stageAfter(ringed);
    await visitor.press('t');
    await seesTries(3);

    // The second is chosen.
    await tabTo(/Compare with Try 2/);
    await visitor.press('Enter');
    await tabTo(/Make it the mark/, true);
    await visitor.press('Enter');
    await visitor.stageIs(ringed);
    await visitor.saved();

    // Files.
    const folder = await downloading();
    await tabTo(/Files/, true);
    await visitor.press('Enter');
    await page.waitForSelector('dialog[open]');
    await tabTo(/Download PNG/);
    await visitor.press('Enter');
    await tabTo(/Download SVG/);
    await visitor.press('Enter');
    const files = await arrived(folder);
    expect(files.map((file) => file.split('.').at(-1))).toEqual(['png', 'svg']);
    expect(readFileSync(`${folder}/${files[1]}`, 'utf8')).toMatch(/^<svg[\s\S]+<path/);

    await holdsTheJob(slug);
    await visitor.go(`/brands/windrow-kites/marks/${slug}`);
    await visitor.stageIs(ringed);
    await seesTries(3);
    // Still live: the text can be changed, and what was done to its letters stays with them.
    await tabTo(/^Saltrow/);
    await visitor.press('Enter');
    await tabTo(/^Text$/);
    await visitor.press('End');
    await type('s');
    await visitor.press('Tab');
    await visitor.stageAfter(ringed);
    await visitor.saved();
    expect((await mark(slug)).recipe.parts.find(({ text }) => text === 'Saltrows')).toMatchObject({
      letters: [{ flip: 'across' }],
      gaps: [{}, {}],
    });
  });
});

describe('the same job by mouse alone, but for the words', () => {
  it('drags letters, gaps and rings on the stage, and ends with the same', async () => {
    const { visitor } = test;
    const slug = await begin('By mouse');
    const { page } = visitor;
    const click = (name: string, role = 'button') => visitor.click(name, role);
    const drag = async (selector: string, x: number, y: number): Promise<void> => {
      const box = await visitor.placeOf(selector);
      const [startX, startY] = [box.x + box.width / 2, box.y + box.height / 2];
      await page.mouse.move(startX, startY);
      await page.mouse.down();
      for (let step = 1; step <= 6; step++) await page.mouse.move(startX + (x * step) / 6, startY + (y * step) / 6);
      await page.mouse.up();
    };
    await page.locator('section[aria-label="Recipe"] button.title').click();
    const first = await visitor.stage();
    await visitor.fill('Text', 'Saltrow');
    const named = await visitor.stageAfter(first);
    await click('Font Marcellus');
    await visitor.fill('Find a font', 'zilla');
    await click('Zilla Slab, slab serif');
    const refaced = await visitor.stageAfter(named);

    // A double click goes into the letters; two gaps are dragged.
    const box = await visitor.placeOf('[data-part="name"] path');
    await page.mouse.click(box.x + 6, box.y + box.height / 2, { count: 2 });
    await drag('[data-gap="1"]', -8, 0);
    const kerned = await visitor.stageAfter(refaced);
    await drag('[data-gap="3"]', 10, 0);
    const twice = await visitor.stageAfter(kerned);
    const letter = await page.waitForSelector('[data-letter="4"]');
    await letter?.click();
    await page.waitForSelector('::-p-aria([name="Letter 5: r"][role="button"])');
    await click('across', 'radio');
    const flipped = await visitor.stageAfter(twice);
    await page.locator('summary ::-p-text(Cuts and rings)').click();
    await click('Bar');
    const cut = await visitor.stageAfter(flipped);

    await visitor.fill('Add anything', 'second', 'combobox');
    await page.locator('[role="option"] ::-p-text(Second line)').click();
    const lined = await visitor.stageAfter(cut);
    await visitor.fill('Text', 'Boat hire');
    const worded = await visitor.stageAfter(lined);
    await page.locator('summary ::-p-text(Fit)').click();
    await (await page.waitForSelector('details[open] select'))?.select('part');
    const fitted = await visitor.stageAfter(worded);

    await click('Keep a try');
    await seesTries(1);
    await visitor.fill('Add anything', 'ring text', 'combobox');
    await page.locator('[role="option"] ::-p-text(Ring text)').click();
    const ringed = await visitor.stageAfter(fitted);
    await click('Keep a try');
    await seesTries(2);
    // The start of the ring text is turned by its handle, along the circle.
    await drag('[data-handle="start"]', 60, 10);
    await visitor.stageAfter(ringed);
    await click('Keep a try');
    await seesTries(3);
    await click('Compare with Try 2');
    await click('laid over', 'radio');
    await page.waitForSelector('svg[aria-label^="The mark now in ink"] path');
    await click('Make it the mark');
    await visitor.stageIs(ringed);
    await visitor.saved();

    const folder = await downloading();
    await click('Files');
    await click('Download PNG');
    await click('Download SVG');
    const files = await arrived(folder);
    const png = PNG.sync.read(readFileSync(`${folder}/${files[0]}`));
    expect(png.data[3]).toBe(0);
    await holdsTheJob(slug);

    // Removing a try can be taken back.
    await visitor.go(`/brands/windrow-kites/marks/${slug}`);
    await visitor.stageIs(ringed);
    await click('Compare with Try 3');
    await click('Remove this try');
    await seesTries(2);
    await click('Bring it back');
    await seesTries(3);
  });

  it('copies a lettering from one brand into another', async () => {
    const { visitor } = test;
    await visitor.go('/brands/windrow-kites/marks/primary');
    const before = await visitor.stage();
    await visitor.page.locator('section[aria-label="Recipe"] button.title ::-p-text(Windrow)').click();
    await test.browser
      .defaultBrowserContext()
      .overridePermissions(test.app.url, ['clipboard-read', 'clipboard-write', 'clipboard-sanitized-write']);
    await visitor.chord('Control', 'c');
    await visitor.go('/brands/tidewrack-aerial/marks/primary');
    const other = await visitor.stage();
    await visitor.chord('Control', 'v');
    const pasted = await visitor.stageAfter(other);
    expect(pasted).not.toBe(before);
    await visitor.saved();
    const there = await read<Saved>(`${test.app.url}/api/brands/tidewrack-aerial/marks/primary`);
    expect(there.recipe.parts.some(({ text }) => text === 'Windrow')).toBe(true);
  });
});
