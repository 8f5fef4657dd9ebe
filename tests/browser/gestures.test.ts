import { mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { STARTING_PALETTE, type Recipe } from '$core/index';
import { read, recipeOf, send } from '../support/api';
import { useVisitor } from '../support/browser';
import { Hand } from '../support/hand';

const test = useVisitor({ demo: false });

const brand = 'saltrow-boats';
const api = () => `${test.app.url}/api/brands/${brand}/marks`;
type Part = Readonly<Record<string, unknown>> & { readonly id: string; readonly kind: string };
const parts = async (slug: string) => (await read<{ recipe: Recipe }>(`${api()}/${slug}`)).recipe.parts as unknown as readonly Part[];
const saved = (slug: string, holds: (parts: readonly Part[]) => boolean) =>
  expect.poll(async () => holds(await parts(slug)), { timeout: 20_000 }).toBe(true);

/** An empty mark of a brand of one's own, open on the table. */
async function begin(name: string): Promise<{ readonly slug: string; readonly hand: Hand }> {
  const { visitor } = test;
  const known = await fetch(`${test.app.url}/api/brands/${brand}`);
  if (known.status === 404)
    await send(`${test.app.url}/api/brands`, 'POST', {
      name: 'Saltrow Boats',
      palette: STARTING_PALETTE,
      mark: { name: 'Primary', role: 'primary', recipe: recipeOf() },
    });
  const { value } = await send<{ slug: string }>(api(), 'POST', { name, role: 'secondary', recipe: recipeOf() });
  await visitor.go(`/brands/${brand}/marks/${value.slug}`);
  await visitor.page.waitForSelector('input[aria-label="Add anything"]');
  return { slug: value.slug, hand: new Hand(visitor) };
}
/** What a job ends with: its count, and its picture to look at. */
async function ends(slug: string, hand: Hand, most: number): Promise<void> {
  await test.visitor.page.waitForNetworkIdle();
  await test.visitor.saved();
  const response = await fetch(`${api()}/${slug}/picture.png?width=500`);
  writeFileSync(`/tmp/look/g-${slug}.png`, Buffer.from(await response.arrayBuffer()));
  console.info('COUNT', slug, hand.gestures, 'of', most, hand.done.join(' · '));
  expect(hand.gestures).toBeLessThanOrEqual(most);
}
/** Where files come down to; and, once so many have, their endings. */
async function downloads(): Promise<(count: number) => Promise<readonly string[]>> {
  const folder = mkdtempSync('/tmp/lucky-downloads-');
  const session = await test.visitor.page.createCDPSession();
  await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder });
  const there = () => readdirSync(folder).filter((file) => !file.endsWith('.crdownload'));
  return async (count) => {
    await expect.poll(() => there().length, { timeout: 20_000 }).toBe(count);
    return there()
      .map((file) => file.split('.').at(-1) ?? '')
      .sort();
  };
}

describe('jobs at the table, in the fewest gestures', () => {
  it('a name with four contact lines of equal symbols', async () => {
    const { slug, hand } = await begin('Contact');
    await hand.add('text: Saltrow Boats', 'Lettering');
    await test.visitor.stage();
    await hand.add('contact lines: 01 234 567 | hire@saltrow.example | saltrow.example | The old slip', 'Contact lines');
    await saved(slug, (all) => all.length === 10);
    const all = await parts(slug);
    expect(all.filter(({ kind }) => kind === 'lettering').map(({ text }) => text)).toEqual([
      'Saltrow Boats',
      '01 234 567',
      'hire@saltrow.example',
      'saltrow.example',
      'The old slip',
    ]);
    expect(hand.gestures).toBeLessThanOrEqual(14);
  });

  it('a symbol by an idea over a name, a second line, reversed, as PNG and SVG', async () => {
    const { slug, hand } = await begin('Symbol');
    await hand.add('text: Saltrow', 'Lettering');
    await test.visitor.stage();
    await hand.press('/');
    await hand.does('idea', async () => {
      await test.visitor.page.keyboard.type('calm');
      await test.visitor.page.waitForFunction(() =>
        document.querySelector('[role="option"][aria-selected="true"]')?.textContent?.includes('art library'),
      );
      await test.visitor.page.keyboard.press('Enter');
    });
    await test.visitor.page.waitForSelector('section[aria-label="Art library"] li button[aria-label^="Try "]');
    await hand.clickOn('section[aria-label="Art library"] li button');
    await hand.click('Use this one');
    await saved(slug, (all) => all.length === 2);
    await hand.row('Saltrow');
    await hand.add('second line: Boat hire', 'Second line');
    await saved(slug, (all) => all.length === 3);
    const arrived = await downloads();
    await hand.click('Files');
    await hand.pick('Colorway', 'reversed');
    await hand.click('Download PNG');
    await hand.click('Download SVG');
    expect(await arrived(2)).toEqual(['png', 'svg']);
    await ends(slug, hand, 12);
  });

  it('for 100 × 100: text, picture, disk, a white rim; then 400 × 400', async () => {
    const { slug, hand } = await begin('Small square');
    const { page } = test.visitor;
    await hand.add('text: SB', 'Lettering');
    await test.visitor.stage();
    await hand.add('disk', 'Disk');
    await hand.add('outline band', 'Outline band');
    await saved(slug, (all) => all.length === 2);
    const chooser = page.waitForFileChooser();
    await hand.add('drawing or picture', 'Drawing or picture');
    const file = `${mkdtempSync('/tmp/lucky-small-')}/oar.png`;
    await sharp({ create: { width: 120, height: 60, channels: 3, background: '#2a7f62' } })
      .png()
      .toFile(file);
    await hand.does('the file', async () => (await chooser).accept([file]));
    await saved(slug, (all) => all.length === 3);
    const arrived = await downloads();
    await hand.click('Files');
    await hand.fill('Width (pixels)', '100');
    await hand.fill('Width (pixels)', '400');
    expect(await arrived(2)).toEqual(['png', 'png']);
    await ends(slug, hand, 14);
  });

  it('another face for one letter, a gap cut, a part pushed, a ring around a letter; then another font', async () => {
    const { slug, hand } = await begin('Letters');
    await hand.add('text: Saltrow', 'Lettering');
    await test.visitor.stage();
    await hand.press('Enter');
    await hand.press('.');
    await hand.clickOn('details:has([aria-label="Letters"]) .font button');
    await hand.type('zilla');
    await hand.clickOn('summary', 'Cuts and rings');
    await hand.click('Bar');
    await hand.click('Slice');
    await hand.click('Ring around');
    await hand.clickOn('.font button');
    await hand.type('petrona');
    await saved(slug, ([name]) => (name?.['belts'] as unknown[]).length === 1);
    await ends(slug, hand, 18);
  });

  it('two capitals ghosted, united, a bar subtracted, a gradient, at rest', async () => {
    const { slug, hand } = await begin('Capitals');
    await hand.add('text: A', 'Lettering');
    await hand.click('Ghost A');
    await hand.add('text: V', 'Lettering');
    await saved(slug, (all) => all.length === 2);
    await hand.pull('[data-part="lettering-2"]', 60, 0);
    await hand.chord('Control', 'a');
    await hand.menu('Combine', 'Unite');
    await hand.add('panel', 'Panel');
    await hand.press('Home');
    await hand.chord('Control', 'a');
    await hand.menu('Combine', 'Subtract');
    await hand.add('gradient', 'Gradient');
    await hand.menu('Arrange', 'Rest on a line');
    await ends(slug, hand, 20);
  });

  it('four letters of four faces touching, welded, stars behind', async () => {
    const { slug, hand } = await begin('Four');
    await hand.add('text: SALT', 'Lettering');
    await test.visitor.stage();
    await hand.press('Enter');
    for (const face of ['zilla', 'league', 'playfair', 'limelight']) {
      if (face !== 'zilla') await hand.press('.');
      await hand.clickOn('details:has([aria-label="Letters"]) .font button');
      await hand.type(face);
    }
    await hand.press('Escape');
    await hand.fill('Tracking', '-60');
    await hand.add('welding', 'Welding band');
    await hand.add('star', 'Star');
    await hand.menu('Repeat', 'Along a line');
    await hand.press('End');
    await ends(slug, hand, 30);
  });

  it('a badge by hand: ring, cut band, word, two ring texts, year', async () => {
    const { slug, hand } = await begin('Badge');
    await hand.add('ring', 'Ring');
    await hand.add('ring text: Saltrow boats | Hire and lessons', 'Ring text');
    await hand.add('ribbon', 'Ribbon');
    await hand.press('Home');
    await hand.add('knock-out', 'Knock-out');
    await hand.add('words on: Saltrow', 'Words on');
    await hand.add('text: 1987', 'Lettering');
    await hand.pull('[data-part="lettering-1"]', 0, 90);
    await ends(slug, hand, 35);
  });

  it('a crest in one color, then in two', async () => {
    const { slug, hand } = await begin('Crest');
    await hand.add('crest', 'Crest');
    await test.visitor.stage();
    await hand.fill('Blazon', 'Argent, a chevron sable between three anchors sable');
    await hand.fill('Motto', 'Out with the tide');
    await hand.fill('Blazon', 'Azure, a chevron or between three anchors argent');
    await ends(slug, hand, 60);
  });

  it('a two-color crest with quarters, supporters, banners', async () => {
    const { slug, hand } = await begin('Quarters');
    await hand.add('crest', 'Crest');
    await test.visitor.stage();
    await hand.fill('Blazon', 'Quarterly azure and argent, a lion or, an anchor azure');
    await hand.fill('Motto', 'Out with the tide');
    await hand.pick('Supporters', 'lions');
    await ends(slug, hand, 75);
  });

  it('a decorated initial, florals inside', async () => {
    const { slug, hand } = await begin('Initial');
    await hand.add('monogram', 'Monogram');
    await test.visitor.stage();
    await hand.click('Other compositions');
    await hand.click('Initial filled with florals');
    await ends(slug, hand, 25);
  });

  it('a round profile', async () => {
    const { slug, hand } = await begin('Profile');
    await hand.add('submark', 'Submark');
    await test.visitor.stage();
    const arrived = await downloads();
    await hand.click('Files');
    await hand.pick('Frame', 'round');
    await hand.fill('Width (pixels)', '400');
    expect(await arrived(1)).toEqual(['png']);
    await ends(slug, hand, 16);
  });

  it('a wordmark with a turned letter and a second line, a secondary laid anew, a submark of a mirrored half in ring texts', async () => {
    const { slug, hand } = await begin('Family');
    const { page } = test.visitor;
    await hand.add('text: Saltrow', 'Lettering');
    await test.visitor.stage();
    await hand.press('Enter');
    for (let times = 0; times < 4; times++) await hand.press('.');
    for (let times = 0; times < 6; times++) await hand.press('>');
    await hand.press('Escape');
    await hand.add('second line: Boat hire', 'Second line');
    await saved(slug, (all) => all.length === 2);
    for (const [kind, start] of [
      ['Symbol and name', ''],
      ['Submark', 'Left half, mirrored, in a ring of words'],
    ] as const) {
      await hand.click('Add a mark');
      await page.waitForSelector('dialog[open] .kinds');
      await hand.clickOn('dialog[open] .kinds strong', kind);
      await page.waitForFunction(
        (wanted) =>
          [...document.querySelectorAll('dialog[open] .starts button')].some(
            (button) => button.textContent?.trim().startsWith(wanted) && button.querySelector('svg path'),
          ),
        {},
        start,
      );
      await (start ? hand.clickOn('dialog[open] .starts button', start) : hand.clickOn('dialog[open] .starts button'));
      await page.waitForSelector('dialog[open] .sheet svg path');
      const here = page.url();
      await hand.clickOn('dialog[open] .take button');
      await page.waitForFunction((old) => !document.querySelector('dialog[open]') && location.href !== old, {}, here);
      await test.visitor.stage();
      await ends(page.url().split('/').at(-1) ?? '', hand, 45);
    }
  });

  it('three faces kept of many, laid head to head, one chosen and set', async () => {
    const { slug, hand } = await begin('Faces');
    const { page } = test.visitor;
    await hand.add('text: Saltrow', 'Lettering');
    await test.visitor.saved();
    const before = hand.gestures;
    await hand.clickOn('nav a', 'Type');
    for (const face of ['marcellus', 'zilla-slab', 'jost']) {
      await hand.clickOn(`[aria-label="Trials"] [data-face="${face}"]`);
      await hand.press('k');
    }
    await hand.click('Head to head: 3 kept faces');
    await hand.clickOn('article[aria-label="Jost"] button', 'Set the name in it');
    await page.waitForFunction(() => location.pathname.includes('/marks/'));
    console.info('FACES', hand.gestures - before, page.url(), slug);
    expect(hand.gestures - before).toBeLessThanOrEqual(12);
  });
});
