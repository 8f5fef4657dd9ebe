import { mkdtempSync, readdirSync } from 'node:fs';
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
/** What a job ends with: in how many gestures at most, what is saved, and the file that is made of it. */
async function ends(slug: string, hand: Hand, most: number): Promise<{ readonly all: readonly Part[]; readonly svg: string }> {
  await test.visitor.page.waitForNetworkIdle();
  await test.visitor.saved();
  expect(hand.gestures, hand.done.join(' · ')).toBeLessThanOrEqual(most);
  const response = await fetch(`${api()}/${slug}/picture.svg`);
  expect(response.status).toBe(200);
  return { all: await parts(slug), svg: await response.text() };
}
const treatmentsOf = (all: readonly Part[]): readonly string[] =>
  all.flatMap(({ treatments = [] }) => (treatments as readonly { readonly kind: string }[]).map(({ kind }) => kind));
const paintsOf = (svg: string): ReadonlySet<string> => new Set(svg.match(/(?:fill|stop-color)="#[0-9a-f]{6}"/g));

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
    const { svg } = await ends(slug, hand, 14);
    expect(svg.match(/<path/g)?.length).toBeGreaterThanOrEqual(9);
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
    await hand.add('second line: Boat hire', 'Second line');
    await saved(slug, (all) => all.length === 3);
    const arrived = await downloads();
    await hand.click('Files');
    await hand.pick('Colorway', 'reversed');
    await hand.click('Download PNG');
    await hand.click('Download SVG');
    expect(await arrived(2)).toEqual(['png', 'svg']);
    const { all } = await ends(slug, hand, 12);
    expect(all.map(({ kind }) => kind).sort()).toEqual(['art', 'lettering', 'lettering']);
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
    const { all, svg } = await ends(slug, hand, 14);
    expect(all.map(({ kind }) => kind)).toEqual(['shape', 'lettering', 'picture']);
    // The rim is seen: it does not begin in the color of the disk that it lies around.
    const [disk] = all as readonly [Part];
    expect((disk['treatments'] as readonly { paint: unknown }[])[0]?.paint).not.toEqual(disk['paint']);
    expect(svg.match(/<image /g)).toHaveLength(1);
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
    await hand.type('cormorant');
    await saved(slug, ([name]) => (name?.['belts'] as unknown[]).length === 1);
    const { all } = await ends(slug, hand, 18);
    expect(all[0]).toMatchObject({
      ...{ font: { family: 'cormorant' }, letters: [{ at: { letter: 'a' }, font: { family: 'zilla-slab' } }] },
      ...{ cuts: [{ form: 'bar' }, { form: 'slice' }], belts: [{ form: 'ring' }] },
    });
  });

  it('two capitals ghosted, united, a bar subtracted, a gradient, at rest', async () => {
    const { slug, hand } = await begin('Capitals');
    await hand.add('text: A', 'Lettering');
    await hand.click('Ghost A');
    await hand.add('text: V', 'Lettering');
    await saved(slug, (all) => all.length === 2);
    await hand.pull('[data-part="lettering-2"]', 40, -100);
    await hand.chord('Control', 'a');
    await hand.menu('Combine', 'Unite');
    await hand.add('line', 'Line');
    await hand.chord('Control', 'a');
    await hand.menu('Combine', 'Subtract');
    await hand.add('gradient', 'Gradient');
    await hand.menu('Arrange', 'Rest on a line');
    const { all, svg } = await ends(slug, hand, 20);
    expect(all.filter(({ kind }) => kind === 'combination').map(({ how }) => how)).toEqual(['unite', 'subtract']);
    expect(treatmentsOf(all)).toEqual(['gradient']);
    // The bar goes through both letters.
    expect(svg).toContain('<linearGradient');
    expect(svg.match(/<path[^>]* d="([^"]+)"/)?.[1]?.match(/M/g)?.length).toBeGreaterThanOrEqual(3);
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
    await hand.menu('Arrange', 'Centers across');
    await hand.press('End');
    const { all } = await ends(slug, hand, 30);
    const word = all.find(({ kind }) => kind === 'lettering') as Part;
    expect((word['letters'] as readonly { font: { family: string } }[]).map(({ font }) => font.family)).toEqual([
      'zilla-slab',
      'league-spartan',
      'playfair',
      'limelight',
    ]);
    expect(treatmentsOf([word])).toEqual(['welding-band']);
    expect(all.map(({ kind }) => kind)).toEqual(['shape', 'symmetry', 'lettering']);
  });

  it('a badge by hand: ring, cut band, word, two ring texts, year', async () => {
    const { slug, hand } = await begin('Badge');
    await hand.add('ring', 'Ring');
    await hand.add('ring text: Saltrow boats | Hire and lessons', 'Ring text');
    await hand.add('ribbon', 'Ribbon');
    await hand.pull('[data-part="ribbon-1"]', 0, -70);
    await hand.press('Home');
    await hand.add('halo', 'Halo');
    await hand.add('words on: Saltrow', 'Words on');
    await hand.add('text: 1987', 'Lettering');
    const { all, svg } = await ends(slug, hand, 35);
    expect(
      all
        .map(({ text }) => text)
        .filter(Boolean)
        .sort(),
    ).toEqual(['1987', 'Hire and lessons', 'Saltrow', 'Saltrow boats']);
    expect(treatmentsOf(all)).toEqual(['halo']);
    // The year came into the ring, not over it.
    expect(Number(all.find(({ text }) => text === '1987')?.['sizePx'])).toBeLessThan(100);
    expect(paintsOf(svg).size).toBeGreaterThan(2);
  });

  it('a crest in one color, then in two', async () => {
    const { slug, hand } = await begin('Crest');
    await hand.add('crest', 'Crest');
    await test.visitor.stage();
    await hand.fill('Blazon', 'Argent, a chevron sable between three anchors sable');
    await hand.fill('Motto', 'Out with the tide');
    await hand.fill('Blazon', 'Azure, a chevron or between three anchors argent');
    const { all, svg } = await ends(slug, hand, 60);
    expect(all.filter(({ text }) => text === 'Out with the tide')).toHaveLength(1);
    expect(paintsOf(svg).size).toBeGreaterThan(2);
  });

  it('a two-color crest with quarters, supporters, banners', async () => {
    const { slug, hand } = await begin('Quarters');
    await hand.add('crest', 'Crest');
    await test.visitor.stage();
    await hand.fill('Blazon', 'Quarterly azure and argent, in the first and fourth an anchor or');
    await hand.fill('Motto', 'Out with the tide');
    await hand.pick('Supporters', 'tower');
    const { all } = await ends(slug, hand, 75);
    const names = all.map(({ name }) => String(name)).join(', ');
    expect(names).toMatch(/anchor/i);
    expect(names).toMatch(/supporter/i);
    expect(all.filter(({ text }) => text === 'Out with the tide')).toHaveLength(1);
  });

  it('a decorated initial, florals inside', async () => {
    const { slug, hand } = await begin('Initial');
    await hand.add('monogram', 'Monogram');
    await test.visitor.stage();
    await hand.click('Other compositions');
    const plain = await test.visitor.stage();
    await hand.click('Initial filled with florals');
    await test.visitor.stageAfter(plain);
    const { svg } = await ends(slug, hand, 25);
    expect(svg.length).toBeGreaterThan(20_000);
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
    const { hand } = await begin('Faces');
    const { page } = test.visitor;
    await hand.clickOn('nav a', 'Type');
    for (const face of ['marcellus', 'zilla-slab', 'jost']) {
      await hand.clickOn(`[aria-label="Trials"] [data-face="${face}"]`);
      await hand.press('k');
    }
    await hand.click('Head to head: 3 kept faces');
    await hand.clickOn('article[aria-label="Jost"] button', 'Set the name in it');
    await page.waitForFunction(() => location.pathname.endsWith('/marks/primary'));
    expect(hand.gestures).toBeLessThanOrEqual(12);
    expect((await parts('primary')).map(({ font, text }) => [font, text])).toMatchObject([[{ family: 'jost' }, 'Saltrow Boats']]);
  });
});
