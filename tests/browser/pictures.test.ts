import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { read, recipeOf, send } from '../support/api';
import { faultsOf } from '../support/axe';
import { useVisitor } from '../support/browser';
import { knownGround } from '../support/known-grounds';

const test = useVisitor();
const home = () => `${test.app.url}/api/brands/windrow-kites`;

interface Saved {
  readonly recipe: {
    readonly parts: readonly {
      readonly kind: string;
      readonly sha256?: string;
      readonly cut?: { readonly from: string; readonly strokes: readonly unknown[] };
      readonly traced?: { readonly tracing: { readonly way: string; readonly thresholds: readonly number[] | null } };
      readonly slots?: readonly { readonly paint: unknown }[];
      readonly treatments?: readonly { readonly kind: string }[];
    }[];
  };
}

/** A mark with a picture made here: a subject on a gradient with its shadow. */
async function begin(name: string): Promise<{ readonly slug: string; readonly sha256: string }> {
  const { pixels } = knownGround('B', 2);
  const bytes = await sharp(Buffer.from(pixels.rgba), { raw: { width: pixels.columns, height: pixels.rows, channels: 4 } })
    .png()
    .toBuffer();
  const stored = (await (
    await fetch(`${home()}/pictures?name=shield.png&for=mark`, {
      method: 'POST',
      body: new Uint8Array(bytes),
      headers: { 'content-type': 'application/octet-stream' },
    })
  ).json()) as { sha256: string; widthPx: number; heightPx: number };
  const part = {
    ...{ kind: 'picture', id: 'shown', sha256: stored.sha256, fileWidthPx: stored.widthPx, fileHeightPx: stored.heightPx, sizePx: 400 },
    ...{ source: { title: 'Shield', author: '', license: 'client' }, place: { x: 0, y: 0, turnDeg: 0 } },
  } as Parameters<typeof recipeOf>[0];
  const recipe = recipeOf(part);
  const { slug } = (await send<{ slug: string }>(`${home()}/marks`, 'POST', { name, role: 'secondary', recipe })).value;
  return { slug, sha256: stored.sha256 };
}

describe('a picture on the table', () => {
  it('loses its ground to two strokes, becomes tones, is recolored, worn and shadowed, and goes back all the way', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const { slug, sha256 } = await begin('From a photo');
    const part = async () => (await read<Saved>(`${home()}/marks/${slug}`)).recipe.parts[0];
    const says = visitor.dialogSays;
    await visitor.go(`/brands/windrow-kites/marks/${slug}`);
    await page.waitForSelector('[data-stage] image');
    await page.locator('section[aria-label="Recipe"] button.title').click();

    await visitor.click('Take the ground out');
    await says('of the picture is kept');
    expect(await faultsOf(page)).toEqual([]);
    // A stroke over a corner of the ground, then one by keys in the middle of the subject.
    const brush = await visitor.placeOf('dialog .brush');
    await visitor.click('drop', 'radio');
    await page.mouse.move(brush.x + brush.width * 0.04, brush.y + brush.height * 0.06);
    await page.mouse.down();
    await page.mouse.move(brush.x + brush.width * 0.2, brush.y + brush.height * 0.08, { steps: 6 });
    await page.mouse.up();
    await says('after one stroke');
    await visitor.click('keep', 'radio');
    await visitor.focus('dialog .brush');
    await visitor.press('ArrowRight', 'Enter');
    await says('after 2 strokes');
    await visitor.click('Take the last stroke back');
    await says('after one stroke');
    await visitor.focus('dialog .brush');
    await visitor.press('Enter');
    await says('after 2 strokes');
    await page.waitForFunction(
      () => ![...document.querySelectorAll('dialog [role="status"]')].some((each) => each.textContent?.includes('looking')),
    );
    await page.locator('dialog button ::-p-text(Take the ground out)').click();
    await expect.poll(async () => (await part())?.cut?.from).toBe(sha256);
    expect((await part())?.cut?.strokes).toHaveLength(2);
    expect((await part())?.sha256).not.toBe(sha256);

    await page.locator('button ::-p-text(Turn into outlines)').click();
    await says('points');
    expect(await faultsOf(page)).toEqual([]);
    await visitor.pick('Way', 'tones');
    await says('colors');
    await page.waitForFunction(
      () => ![...document.querySelectorAll('dialog [role="status"]')].some((each) => each.textContent?.includes('tracing')),
    );
    await page.locator('dialog button ::-p-text(Use these outlines)').click();
    await expect.poll(async () => (await part())?.traced?.tracing.way).toBe('tones');
    expect((await part())?.kind).toBe('art');
    await page.waitForSelector('[data-stage] path');
    await page.locator('button ::-p-text(nearest of the palette)').click();
    await expect.poll(async () => JSON.stringify((await part())?.slots?.map(({ paint }) => paint))).toContain('role');

    for (const treatment of ['soft shadow', 'wear']) {
      await visitor.press('/');
      await page.keyboard.type(treatment);
      await page.waitForFunction(
        (wanted) => document.querySelector('[role="option"][aria-selected="true"] strong')?.textContent?.toLowerCase().startsWith(wanted),
        {},
        treatment,
      );
      await visitor.press('Enter');
    }
    await expect.poll(async () => (await part())?.treatments?.map(({ kind }) => kind)).toEqual(['soft-shadow', 'wear']);
    const file = await fetch(`${home()}/marks/${slug}/picture.png?width=5400`);
    expect(file.status).toBe(200);
    const { data, info } = await sharp(Buffer.from(await file.arrayBuffer()))
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect([info.width, info.channels]).toEqual([5400, 4]);
    let [clear, full] = [0, 0];
    for (let at = 3; at < data.length; at += 4 * 97) {
      if (data[at] === 0) clear++;
      if (data[at] === 255) full++;
    }
    expect(clear).toBeGreaterThan(1000);
    expect(full).toBeGreaterThan(1000);

    // The numbers are kept with it: opened again, changed, and the picture had back, ground and all.
    await page.locator('button ::-p-text(Trace it anew)').click();
    await says('colors');
    await visitor.pick('Way', 'two');
    await says('One color');
    await page.waitForFunction(
      () => ![...document.querySelectorAll('dialog [role="status"]')].some((each) => each.textContent?.includes('tracing')),
    );
    await page.locator('dialog button ::-p-text(Use these outlines)').click();
    await expect.poll(async () => (await part())?.traced?.tracing.way).toBe('two');
    await page.locator('button ::-p-text(Back to the picture)').click();
    await expect.poll(async () => (await part())?.kind).toBe('picture');
    await page.locator('button ::-p-text(Bring the ground back)').click();
    await expect.poll(async () => (await part())?.sha256).toBe(sha256);
    await visitor.chord('Control', 'z');
    await expect.poll(async () => (await part())?.cut?.from).toBe(sha256);
    expect(visitor.errors).toEqual([]);
  });

  it('comes from words: its ground taken out with two strokes, two colors, outlines, a caption, a shirt print with true alpha', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const worker = await test.app.worker();
    const { slug } = (
      await send<{ slug: string }>(`${home()}/marks`, 'POST', { name: 'From words', role: 'secondary', recipe: recipeOf() })
    ).value;
    const part = async () => (await read<Saved>(`${home()}/marks/${slug}`)).recipe.parts.find(({ kind }) => kind !== 'lettering');
    const addByName = async (words: string) => {
      await visitor.press('/');
      await page.keyboard.type(words);
      await page.waitForFunction(
        (wanted) => document.querySelector('[role="option"][aria-selected="true"] strong')?.textContent?.toLowerCase().startsWith(wanted),
        {},
        words,
      );
      await visitor.press('Enter');
    };
    const says = visitor.dialogSays;
    const rests = (word: string) =>
      page.waitForFunction(
        (wanted) => ![...document.querySelectorAll('dialog [role="status"]')].some((each) => each.textContent?.includes(wanted)),
        {},
        word,
      );
    try {
      await visitor.go(`/brands/windrow-kites/marks/${slug}`);
      await addByName('picture from words');
      await visitor.fill('What is to be seen', 'castle');
      await visitor.click('Make a picture');
      await visitor.sees('The stand-in knows no picture of “castle”.');
      await visitor.fill('What is to be seen', 'a red mug');
      await visitor.click('busy', 'radio');
      await visitor.click('Make a picture');
      await page.waitForSelector('dialog progress');
      expect(await faultsOf(page)).toEqual([]);
      // Made by a worker beside the work: it takes its time.
      await page.locator('dialog button ::-p-text(Use)').setTimeout(120_000).click();
      await expect.poll(async () => (await part())?.kind).toBe('picture');
      await visitor.dialogGone();
      await page.waitForSelector('[data-stage] image');

      await visitor.click('Take the ground out');
      await says('of the picture is kept');
      const brush = await visitor.placeOf('dialog .brush');
      const stroke = async (as: 'keep' | 'drop', from: readonly [number, number], to: readonly [number, number]) => {
        await visitor.click(as, 'radio');
        await page.mouse.move(brush.x + brush.width * from[0], brush.y + brush.height * from[1]);
        await page.mouse.down();
        await page.mouse.move(brush.x + brush.width * to[0], brush.y + brush.height * to[1], { steps: 6 });
        await page.mouse.up();
      };
      await stroke('keep', [0.42, 0.4], [0.5, 0.7]);
      await says('after one stroke');
      await stroke('drop', [0.04, 0.06], [0.94, 0.06]);
      await says('after 2 strokes');
      await rests('looking');
      await page.locator('dialog button ::-p-text(Take the ground out)').click();
      await expect.poll(async () => (await part())?.cut?.strokes.length).toBe(2);

      await page.locator('button ::-p-text(Turn into outlines)').click();
      await says('points');
      await visitor.pick('Way', 'engraved');
      await says('One color');
      await rests('tracing');
      expect(await page.$$eval('dialog figure path', (all) => all.length)).toBeGreaterThan(0);
      await visitor.pick('Way', 'colors');
      await visitor.fill('Colors', '2');
      await visitor.press('Enter');
      await says('2 colors');
      await rests('tracing');
      await page.locator('dialog button ::-p-text(Use these outlines)').click();
      await expect.poll(async () => (await part())?.traced?.tracing.way).toBe('colors');
      await page.waitForSelector('[data-stage] path');
      await page.locator('button ::-p-text(nearest of the palette)').click();
      await expect.poll(async () => JSON.stringify((await part())?.slots?.map(({ paint }) => paint))).toContain('role');
      for (const treatment of ['soft shadow', 'wear']) await addByName(treatment);
      await expect.poll(async () => (await part())?.treatments?.map(({ kind }) => kind)).toEqual(['soft-shadow', 'wear']);
      await visitor.press('Escape');
      await addByName('lettering');
      await expect
        .poll(async () => (await read<Saved>(`${home()}/marks/${slug}`)).recipe.parts.map(({ kind }) => kind))
        .toContain('lettering');

      const file = await fetch(`${home()}/marks/${slug}/picture.png?width=4500&height=5400`);
      expect(file.status).toBe(200);
      const { data, info } = await sharp(Buffer.from(await file.arrayBuffer()))
        .raw()
        .toBuffer({ resolveWithObject: true });
      expect([info.width, info.height, info.channels]).toEqual([4500, 5400, 4]);
      const tones = { clear: 0, soft: 0, full: 0 };
      for (let at = 3; at < data.length; at += 4 * 97) tones[data[at] === 0 ? 'clear' : data[at] === 255 ? 'full' : 'soft']++;
      expect(tones.clear).toBeGreaterThan(10_000);
      expect(tones.full).toBeGreaterThan(2000);
      expect(tones.soft).toBeGreaterThan(1000);
    } finally {
      await worker.stop();
    }
  });
});
