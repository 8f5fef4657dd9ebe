import { describe, expect, it } from 'vitest';
import { read, send } from '../support/api';
import { faultsOf, unsaidOn } from '../support/axe';
import { useVisitor } from '../support/browser';

const test = useVisitor();

describe('the brand sheet', () => {
  it('shows its pages, takes another design, a text and an order, leaves a page out, undoes it, and is saved as a PDF', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const kept = async () =>
      (
        await read<{ content: { design: string; left: string[]; order: string[]; texts: Record<string, string> } }>(
          `${test.app.url}/api/brands/gorsebank-rowing-club/documents/sheet`,
        )
      ).content;
    const titles = () => page.$$eval('figure figcaption', (all) => all.map((each) => each.textContent?.trim()));
    await visitor.go('/brands/gorsebank-rowing-club/sheet');
    await page.waitForSelector('figure svg path');
    expect((await titles()).slice(0, 3)).toEqual(['Cover', 'In words', 'Versions']);
    expect(await titles()).toContain('In use');
    expect(await faultsOf(page)).toEqual([]);
    expect(await unsaidOn(page)).toEqual([]);

    // Goods that were dressed are there; one more is chosen, and one taken off.
    const onGoods = () =>
      page.$$eval('figure svg image', (all) =>
        all
          .flatMap((each) => /goods\/([a-z-]+)/.exec(each.getAttribute('href') ?? each.getAttribute('xlink:href') ?? '')?.[1] ?? [])
          .sort(),
      );
    const showsGoods = (wanted: readonly string[]) => expect.poll(onGoods).toEqual(wanted);
    await showsGoods(['boat', 'cap', 'shirt']);
    // One thing may stand twice, with two marks.
    const home = `${test.app.url}/api/brands/gorsebank-rowing-club`;
    const marks = await read<readonly { id: string; name: string }[]>(`${home}/marks`);
    const on = (name: string, scene: string) => ({ mark: marks.find((mark) => mark.name === name)?.id ?? '', scene });
    const chosen = { goods: [on('Crest', 'boat'), on('Primary', 'boat'), on('Crest', 'cap')] };
    expect((await send(`${home}/documents/sheet`, 'PUT', { base: 0, content: chosen })).status).toBeLessThan(300);
    await visitor.go('/brands/gorsebank-rowing-club/sheet');
    await showsGoods(['boat', 'boat', 'cap']);
    await visitor.pick('Add goods', 'mug');
    await showsGoods(['boat', 'boat', 'cap', 'mug']);
    await visitor.click('Take off: boat');
    await showsGoods(['boat', 'cap', 'mug']);

    const cover = () => page.$eval('figure svg', (svg) => svg.innerHTML);
    const before = await cover();
    await visitor.pick('Design', 'night');
    await page.waitForFunction((old) => document.querySelector('figure svg')?.innerHTML !== old, {}, before);
    await visitor.fill('Text of Colors', 'The blue is the river.');
    await page.keyboard.press('Tab');
    await page.locator('li[aria-label="Please avoid"] button ::-p-text(Leave out)').click();
    await visitor.click('Move Colors up');
    await expect.poll(kept).toMatchObject({ design: 'night', left: ['avoid'], texts: { colors: 'The blue is the river.' } });
    await expect.poll(titles).not.toContain('Please avoid');
    await visitor.click('Undo');
    await visitor.click('Undo');
    await expect.poll(async () => (await kept()).left).toEqual([]);

    const file = await fetch(`${test.app.url}/api/brands/gorsebank-rowing-club/sheet.pdf`);
    expect(file.status).toBe(200);
    expect(
      Buffer.from(await file.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
    expect(visitor.errors).toEqual([]);
  });
});
