import { mkdtempSync, writeFileSync } from 'node:fs';
import { PNG } from 'pngjs';
import type { ElementHandle } from 'puppeteer-core';
import { describe, expect, it } from 'vitest';
import { colorDifference, contrastRatio, standing, writeRecipe, EMPTY_RECIPE, createPart, expect as valueOf, type Hex } from '$core/index';
import { palette, read, send } from '../support/api';
import { faultsOf, unsaidOn } from '../support/axe';
import { useVisitor } from '../support/browser';

const test = useVisitor();
interface Brand {
  readonly slug: string;
  readonly palette: Readonly<Record<string, unknown>> & { readonly lead: Hex; readonly more?: readonly { readonly hex: Hex }[] };
}
interface Mark {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly role: string;
}
type PartInput = Parameters<typeof createPart>[0];
const recipe = (...parts: PartInput[]) => ({ ...EMPTY_RECIPE, parts: parts.map((part) => valueOf(createPart(part))) });
const brandNow = (slug: string) => read<Brand>(`${test.app.url}/api/brands/${slug}`);
const marksNow = (slug: string) => read<Mark[]>(`${test.app.url}/api/brands/${slug}/marks`);
const svgOf = async (slug: string, mark: string) => (await fetch(`${test.app.url}/api/brands/${slug}/marks/${mark}/picture.svg`)).text();

/** A picture of three plain stripes, half of it in the first color. */
function stripes(): string {
  const png = new PNG({ width: 80, height: 60 });
  const colors = [
    [38, 98, 122],
    [214, 168, 74],
    [150, 52, 60],
  ] as const;
  for (let at = 0; at < 80 * 60; at++) {
    const x = at % 80;
    const color = colors[x < 40 ? 0 : x < 60 ? 1 : 2] as readonly [number, number, number];
    png.data.set([...color, 255], 4 * at);
  }
  const file = `${mkdtempSync('/tmp/lucky-stripes-')}/stripes.png`;
  writeFileSync(file, PNG.sync.write(png));
  return file;
}

async function newBrand(name: string): Promise<string> {
  const made = await send<{ slug: string }>(`${test.app.url}/api/brands`, 'POST', { name, palette });
  await send(`${test.app.url}/api/brands/${made.value.slug}/marks`, 'POST', {
    name: 'Primary',
    role: 'primary',
    gesture: 'Begin',
    recipe: writeRecipe(
      standing(
        recipe(
          {
            kind: 'lettering',
            id: 'second',
            text: 'Paper Goods',
            font: { family: 'jost' },
            sizePx: 40,
            place: { x: 0, y: 80, turnDeg: 0 },
            paint: { role: 'lead' },
          },
          { kind: 'lettering', id: 'name', text: 'Saltrow', font: { family: 'jost' }, sizePx: 120 },
        ),
        true,
      ),
    ),
  });
  return made.value.slug;
}

describe('color last, and a family that follows', () => {
  it('a palette from a picture, ink to color and back, five marks from one primary, a letter changed and all followed, an override kept and dropped', async () => {
    const { visitor } = test;
    const slug = await newBrand('Saltrow');

    // A palette from a picture.
    await visitor.go(`/brands/${slug}/brief`);
    const chooser = (await visitor.page.waitForSelector('input[aria-label="Pictures for the board"]')) as ElementHandle<HTMLInputElement>;
    await chooser.uploadFile(stripes());
    await visitor.page.waitForSelector('article img');
    await visitor.saved();
    await visitor.go(`/brands/${slug}/color`);
    await visitor.sees('50 %');
    await visitor.click('Add all of stripes.png');
    await visitor.sees('3 colors added.');
    await visitor.click('Undo');
    // What was undone is not said any more.
    await visitor.seesNot('3 colors added.');
    await visitor.saved();
    await expect.poll(async () => (await brandNow(slug)).palette.more ?? [], { timeout: 15_000 }).toHaveLength(0);
    // The same brought in here; what is no picture is refused in a sentence.
    const here = (await visitor.page.waitForSelector(
      'section[aria-label="Offered colors"] input[type="file"]',
    )) as ElementHandle<HTMLInputElement>;
    const words = `${mkdtempSync('/tmp/lucky-words-')}/words.png`;
    writeFileSync(words, 'no picture');
    await here.uploadFile(words);
    await visitor.page.waitForSelector('section[aria-label="Offered colors"] [role="alert"]');
    await here.uploadFile(stripes());
    await visitor.sees('A picture is offered here until the room is left');
    await visitor.page.locator('section[aria-label="Offered colors"] [aria-label="Add all of stripes.png"]').click();
    await expect.poll(async () => (await brandNow(slug)).palette.more ?? [], { timeout: 15_000 }).toHaveLength(3);
    await visitor.page.click('section[aria-label="Palette"] li:nth-child(6) button');
    await visitor.pick('Exchange with a role', 'lead');
    await visitor.saved();
    await expect.poll(async () => colorDifference((await brandNow(slug)).palette.lead, '#26627a')).toBeLessThan(3);
    const { lead } = (await brandNow(slug)).palette;
    expect((await brandNow(slug)).palette.more?.map(({ hex }) => hex)).toContain(palette.lead);
    // A contrast that fails is mended by lightness alone.
    await visitor.click('contrast', 'radio');
    await visitor.page.locator('button[title^="accent on paper:"]').click();
    await visitor.page.locator('.suggestion button').click();
    await visitor.saved();
    await expect
      .poll(async () => contrastRatio(((await brandNow(slug)).palette as unknown as { accent: Hex }).accent, palette.paper))
      .toBeGreaterThanOrEqual(3);

    // Ink to color and back, and color again.
    await visitor.go(`/brands/${slug}/marks/primary`);
    await visitor.stage();
    await visitor.page.waitForSelector('[data-dressed] path');
    expect(await svgOf(slug, 'primary')).not.toContain(lead);
    await visitor.click('Turn color on');
    await visitor.page.waitForFunction(() => !document.querySelector('[data-dressed]'));
    await visitor.click('Back to ink');
    await visitor.page.waitForSelector('[data-dressed] path');
    await visitor.click('Turn color on');
    await visitor.saved();
    await expect.poll(() => svgOf(slug, 'primary')).toContain(lead);

    // Five marks from one primary.
    await visitor.go(`/brands/${slug}/family`);
    for (const [label, role] of [
      ['name and second line', 'secondary'],
      ['words on a panel', 'secondary'],
      ['initial, the name around', 'submark'],
      ['initial on a rounded square', 'icon'],
      ['all of it, as a stamp', 'watermark'],
    ] as const) {
      const before = (await marksNow(slug)).length;
      await visitor.click(`Take ${label} as ${role}`);
      await expect.poll(async () => (await marksNow(slug)).length).toBe(before + 1);
      await visitor.page.waitForFunction((count) => document.querySelectorAll('.tree a').length === count, {}, before + 1);
    }
    const derived = (await marksNow(slug)).slice(1);
    expect(derived.map(({ role }) => role)).toEqual(['secondary', 'secondary', 'submark', 'icon', 'watermark']);
    expect(await visitor.page.$$eval('.tree path[d]', (links) => links.length)).toBeGreaterThanOrEqual(5);
    await visitor.page.waitForFunction(
      () => document.querySelectorAll('.facts').length > 10 && !document.body.innerText.includes('measuring'),
    );
    expect(await visitor.page.$$eval('.facts', (all) => all.every((each) => /safe from \d+ px/.test(each.textContent ?? '')))).toBe(true);

    // One letter changed: all have followed.
    const primaryBefore = await svgOf(slug, 'primary');
    const before = await Promise.all(derived.map((mark) => svgOf(slug, mark.slug)));
    await visitor.go(`/brands/${slug}/marks/primary`);
    await visitor.stage();
    await visitor.page.locator('section[aria-label="Recipe"] button.title ::-p-text(Saltrow)').click();
    await visitor.fill('Text', 'Zaltrow');
    await visitor.press('Tab');
    await visitor.saved();
    await expect.poll(() => svgOf(slug, 'primary')).not.toBe(primaryBefore);
    const after = await Promise.all(derived.map((mark) => svgOf(slug, mark.slug)));
    after.forEach((picture, at) => expect(picture, derived[at]?.name).not.toBe(before[at]));

    // One override kept, then dropped.
    const secondary = derived[0]?.slug ?? '';
    const followed = await svgOf(slug, secondary);
    await visitor.go(`/brands/${slug}/marks/${secondary}`);
    await visitor.stage();
    await visitor.page.click('section[aria-label="Recipe"] button.title');
    await visitor.click('second', 'radio');
    await visitor.sees('Its own:');
    await visitor.saved();
    await expect.poll(() => svgOf(slug, secondary)).not.toBe(followed);
    await visitor.page.locator('.again button ::-p-text(color)').click();
    await visitor.seesNot('Its own:');
    await visitor.saved();
    await expect.poll(() => svgOf(slug, secondary)).toBe(followed);
  });

  it('a failing proof is followed to its part and mended', async () => {
    const { visitor } = test;
    const slug = await newBrand('Faintly');
    await send(`${test.app.url}/api/brands/${slug}/marks`, 'POST', {
      name: 'Faint',
      role: 'secondary',
      gesture: 'Begin',
      recipe: writeRecipe(
        recipe(
          { kind: 'lettering', id: 'name', text: 'Faintly', font: { family: 'jost' }, sizePx: 120 },
          {
            kind: 'lettering',
            id: 'pale',
            text: 'barely there',
            font: { family: 'jost' },
            sizePx: 90,
            paint: { role: 'second' },
            place: { x: 0, y: 140, turnDeg: 0 },
          },
        ),
      ),
    });
    await visitor.go(`/brands/${slug}/proof`);
    await visitor.pick('Shows', (await marksNow(slug))[1]?.id ?? '');
    const failing = 'button[title^="Faint, full color on paper: On paper the faintest color"]';
    const tile = await visitor.page.waitForSelector(failing);
    expect(await tile?.$eval('[data-verdict]', (tick) => tick.getAttribute('data-verdict'))).toBe('fails');
    await tile?.click();
    await visitor.page.waitForFunction(() => location.pathname.endsWith('/marks/faint') && location.search === '?part=pale');
    await visitor.stage();
    await visitor.page.waitForSelector('.part.open');
    await visitor.click('ink', 'radio');
    await visitor.saved();
    await visitor.go(`/brands/${slug}/proof`);
    await visitor.pick('Shows', (await marksNow(slug))[1]?.id ?? '');
    const mended = await visitor.page.waitForSelector(failing);
    expect(await mended?.$eval('[data-verdict]', (tick) => tick.getAttribute('data-verdict'))).toBe('passes');
  });

  it('what is too thin at a size is shown where it is: from the proof, beside the stage, by keys; it follows the mark, and Escape ends it', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const dots = (kind: string) => page.$eval(`[data-weak] .${kind}`, (path) => (path.getAttribute('d') ?? '').split('M').length - 1);
    await visitor.go('/brands/windrow-kites/proof');
    await page.locator('section[aria-label="Checks"] a ::-p-text(smallest safe size)').click();
    await page.waitForFunction(() => location.search.includes('weak=screen_'));
    await visitor.stage();
    await visitor.sees('too t');
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('[data-weak]'));

    await page.waitForSelector('button.size');
    const sized = async (name: string) => {
      await page.$$eval('button.size', (all, wanted) => all.find((each) => each.textContent?.includes(wanted))?.focus(), name);
      await page.keyboard.press('Enter');
      await page.waitForFunction(() => (document.querySelector('[data-weak] .stroke')?.getAttribute('d') ?? '') !== '');
    };
    await sized('16 px');
    await visitor.sees('At 16 px: strokes are too thin at the dots');
    const [at16, rings] = [await dots('stroke'), await dots('gap')];
    expect(rings).toBeGreaterThan(0);
    expect(await page.$eval('button.size[aria-pressed="true"]', (button) => button.textContent)).toContain('16 px');
    await sized('64 px');
    await visitor.sees('At 64 px');
    const at64 = await dots('stroke');
    expect(at64).toBeGreaterThan(0);
    expect(at64).toBeLessThan(at16);
    expect(await faultsOf(page)).toEqual([]);
    expect(await unsaidOn(page)).toEqual([]);
    // Without its second line it has fewer of them.
    await page.locator('section[aria-label="Recipe"] button.title ::-p-text(Kite Workshop)').click();
    await visitor.press('Delete');
    await expect.poll(() => dots('stroke')).toBeLessThan(at64);
    await visitor.click('Hide them');
    await page.waitForFunction(() => !document.querySelector('[data-weak]'));
    await visitor.click('Undo');
    await visitor.saved();
  });

  it('two tries stand side by side over the wall, colors come in from any text, a palette is kept and exchanged', async () => {
    const { visitor } = test;
    await visitor.go('/brands/windrow-kites/proof');
    await visitor.page.waitForSelector('.tile');
    await visitor.pick('Shows', (await marksNow('windrow-kites'))[0]?.id ?? '');
    const carved = await visitor.page.$eval(
      'select[aria-label="Beside it"]',
      (list) => [...(list as HTMLSelectElement).options].find(({ text }) => text.startsWith('Carved'))?.value ?? '',
    );
    await visitor.pick('Beside it', carved);
    await visitor.page.waitForFunction(() => document.querySelectorAll('.tile.twice').length > 20);
    await visitor.page.waitForFunction(() =>
      [...document.querySelectorAll('.tile.twice')].slice(0, 6).every((tile) => tile.querySelectorAll('svg path').length > 1),
    );

    await visitor.go('/brands/windrow-kites/color');
    await visitor.click('Keep beside');
    await visitor.sees('Kept as “Palette 1”');
    await visitor.click('Colors in and out');
    await visitor.fill('Bring in', 'Dusk: #3a3358 and rgb(120, 160, 90); nothing else');
    await visitor.sees('2 colors found.');
    await visitor.click('Add 2 to the palette');
    await visitor.sees('2 colors added.');
    await visitor.dialogGone();
    await visitor.sees('7 of 24');
    await visitor.click('Use Palette 1');
    await visitor.sees('5 of 24');
    await visitor.page.locator('::-p-aria([name="Undo"][role="button"])').click();
    await visitor.sees('7 of 24');
  });
});

describe('dressing in the palette', () => {
  it('all marks in one gesture, and back in one; and of a mark the chosen part alone', async () => {
    const { visitor } = test;
    const brand = (await send<Brand>(`${test.app.url}/api/brands`, 'POST', { name: 'Slipway Lamps', palette })).value;
    const disk = (id: string, hex: Hex, x: number) =>
      ({
        kind: 'shape',
        id,
        form: { form: 'disk', widthPx: 100, heightPx: 100 },
        paint: { hex },
        place: { x, y: 0, turnDeg: 0 },
      }) as PartInput;
    const paints = async (slug: string) =>
      (
        await read<{ recipe: { parts: { id: string; paint: unknown }[] } }>(`${test.app.url}/api/brands/${brand.slug}/marks/${slug}`)
      ).recipe.parts.map(({ paint }) => JSON.stringify(paint));
    const slugs: string[] = [];
    for (const name of ['One', 'Two', 'Three'])
      slugs.push(
        (
          await send<Mark>(`${test.app.url}/api/brands/${brand.slug}/marks`, 'POST', {
            ...{ name, role: 'secondary' },
            recipe: recipe(disk('left', '#15191c', 0), disk('right', '#faf8f0', 200)),
          })
        ).value.slug,
      );
    const loose = await paints(slugs[0] as string);
    await visitor.go(`/brands/${brand.slug}/color`);
    await visitor.page.evaluate(() =>
      [...document.querySelectorAll('label')].find((each) => each.textContent?.trim().toLowerCase().includes('colorways'))?.click(),
    );
    await visitor.click('Dress all marks');
    await visitor.sees('3 marks dressed.');
    for (const slug of slugs) await expect.poll(() => paints(slug)).toEqual(['{"role":"ink"}', '{"role":"paper"}']);
    await visitor.click('Dress all marks');
    await visitor.sees('Every mark is dressed in the palette already.');
    await visitor.click('Undo');
    for (const slug of slugs) await expect.poll(() => paints(slug)).toEqual(loose);
    await visitor.click('Redo');
    for (const slug of slugs) await expect.poll(() => paints(slug)).toEqual(['{"role":"ink"}', '{"role":"paper"}']);
    // Another mark is looked at meanwhile: the one that was open before is taken back with the rest.
    await visitor.pick('Mark', (await marksNow(brand.slug)).find(({ slug }) => slug === slugs[2])?.id ?? '');
    await visitor.page.waitForSelector('.ways svg[aria-label^="Three"]');
    await visitor.click('Undo');
    for (const slug of slugs) await expect.poll(() => paints(slug)).toEqual(loose);

    await visitor.go(`/brands/${brand.slug}/marks/${slugs[1]}`);
    await visitor.stage();
    await visitor.page.locator('section[aria-label="Recipe"] button.title').click();
    await visitor.page.locator('::-p-text(Arrange)').click();
    await visitor.page.locator('::-p-text(Dress in the palette)').click();
    await expect.poll(() => paints(slugs[1] as string)).toEqual([loose[0], '{"role":"paper"}']);
  });
});
