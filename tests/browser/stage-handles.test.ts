import { describe, expect, it } from 'vitest';
import { read, recipeOf, send } from '../support/api';
import { useVisitor } from '../support/browser';

const test = useVisitor();

interface Saved {
  readonly recipe: { readonly parts: readonly Record<string, never>[] };
}
const brand = () => `${test.app.url}/api/brands/windrow-kites`;
const part = async (slug: string) => (await read<Saved>(`${brand()}/marks/${slug}`)).recipe.parts[0] as Record<string, never>;

async function begin(name: string, change: object): Promise<string> {
  const recipe = recipeOf({ kind: 'lettering', id: 'name', text: 'Saltrow', font: { family: 'marcellus' }, ...change });
  const made = await send<{ slug: string }>(`${brand()}/marks`, 'POST', { name, role: 'secondary', recipe });
  await test.visitor.go(`/brands/windrow-kites/marks/${made.value.slug}`);
  await test.visitor.stage();
  await test.visitor.page.locator('section[aria-label="Recipe"] button.title').click();
  return made.value.slug;
}
async function drag(handle: string, x: number, y: number): Promise<void> {
  const { visitor } = test;
  const at = await visitor.placeOf(`[data-handle="${handle}"]`);
  const { mouse } = visitor.page;
  await mouse.move(at.x + at.width / 2, at.y + at.height / 2);
  await mouse.down();
  await mouse.move(at.x + at.width / 2 + x, at.y + at.height / 2 + y, { steps: 6 });
  const before = await visitor.stage();
  await mouse.move(at.x + at.width / 2 + x + 1, at.y + at.height / 2 + y + 1);
  await visitor.stageAfter(before).catch(() => before);
  await mouse.up();
}

describe('everything done to letters is pulled on the stage', () => {
  it('a cut is moved, turned and widened; a ring around a letter is widened; a swelling line is pulled', async () => {
    const slug = await begin('By hand', {
      cuts: [{ id: 'cut-1', form: 'bar', angleDeg: 20, gapPermille: 40 }],
      belts: [{ id: 'belt-1', form: 'ring', at: { index: 1, letter: 'a' } }],
      line: { shape: 'envelope', form: 'swell', amountPercent: 20 },
    });
    const cut = async () => (await part(slug))['cuts']?.[0] as unknown as Record<string, number>;
    await drag('cut-1-place', 60, 10);
    await expect.poll(async () => (await cut())['acrossPercent']).toBeGreaterThan(52);
    await drag('cut-1-turn', 0, 80);
    await expect.poll(async () => (await cut())['angleDeg']).toBeLessThan(15);
    await drag('cut-1-gap', 0, 20);
    await expect.poll(async () => (await cut())['gapPermille']).toBeGreaterThan(60);
    await drag('belt-1-width', 30, 0);
    await expect
      .poll(async () => ((await part(slug))['belts']?.[0] as unknown as Record<string, number>)['widthPercent'])
      .toBeGreaterThan(140);
    await drag('envelope', 0, -30);
    const amount = async () => (await part(slug))['line']?.['amountPercent'];
    await expect.poll(amount).toBeGreaterThan(25);
    // A pull is one step of undo.
    await test.visitor.chord('Control', 'z');
    await expect.poll(amount).toBe(20);
  });

  it('a ghost is an outline on the table and whole in files; photos lie under the mark and are judged', async () => {
    const slug = await begin('Ghosted', {});
    const { visitor } = test;
    await visitor.click('Ghost Saltrow');
    await visitor.page.waitForSelector('[data-stage] g.ghost');
    await visitor.saved();
    expect((await part(slug))['ghost']).toBe(true);
    const svg = await (await fetch(`${brand()}/marks/${slug}/picture.svg`)).text();
    expect(svg).not.toContain('stroke');
    expect(svg).toContain('<path fill="#');
    await visitor.page.evaluate(() => document.querySelector<HTMLInputElement>('input[name="ground"][value="dusk"]')?.click());
    await visitor.page.waitForSelector('.ground img[src="/photos/dusk.jpg"]');
    // The rail: what is left at small sizes and contrast on a photo, each with its verdict.
    await visitor.page.waitForFunction(() => document.querySelectorAll('aside[aria-label="Proofs"] .sizes [data-verdict]').length === 3);
    await visitor.pick('Photo', 'studio');
    await visitor.page.waitForFunction(
      () => document.querySelector('aside[aria-label="Proofs"] p:has(select) [data-verdict]')?.textContent?.includes(': 1') === true,
    );
    await visitor.page.waitForSelector('aside[aria-label="Proofs"] .sizes [data-verdict="fails"] svg');
  });

  it('a curve is drawn point by point: clicks are corners, pulls are bends, the first point closes it', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const made = await send<{ slug: string }>(`${brand()}/marks`, 'POST', { name: 'Drawn', role: 'secondary', recipe: recipeOf() });
    const { slug } = made.value;
    await visitor.go(`/brands/windrow-kites/marks/${slug}`);
    await page.locator('input[aria-label="Add anything"]').click();
    await page.keyboard.type('draw a curve');
    await page.waitForFunction(() =>
      document.querySelector('[role="option"][aria-selected="true"]')?.textContent?.includes('Draw a curve'),
    );
    await visitor.press('Enter');
    const { x, y } = await visitor.placeOf('[data-handle="drawing"]');
    const points = async () => ((await part(slug))?.['points'] ?? []) as unknown as readonly Record<string, number>[];
    const count = (wanted: number) => expect.poll(async () => (await points().catch(() => [])).length, { timeout: 15_000 }).toBe(wanted);
    await page.mouse.click(x + 200, y + 300);
    await count(1);
    await page.mouse.move(x + 350, y + 200);
    await page.mouse.down();
    await page.mouse.move(x + 420, y + 200, { steps: 5 });
    await page.mouse.up();
    await count(2);
    await page.mouse.click(x + 500, y + 330);
    await count(3);
    const [corner, bend] = await points();
    expect(corner).toMatchObject({ inX: 0, inY: 0, outX: 0, outY: 0 });
    expect((bend?.['outX'] ?? 0) + (bend?.['inX'] ?? 0)).toBeCloseTo(0, 6);
    expect(bend?.['outX']).toBeGreaterThan(20);
    await page.mouse.click(x + 201, y + 301);
    await expect.poll(async () => (await part(slug))['closed']).toBe(true);
    await page.waitForFunction(() => document.querySelector('[data-handle="drawing"]') === null);
    // Every point is one step of undo.
    await visitor.chord('Control', 'z');
    await visitor.chord('Control', 'z');
    await count(2);
  });

  it('a branch grows along a curve: added by name, of another kind by one choice, from both ends, and back by undo', async () => {
    const { visitor } = test;
    const made = await send<{ slug: string }>(`${brand()}/marks`, 'POST', { name: 'Branch', role: 'secondary', recipe: recipeOf() });
    const { slug } = made.value;
    await visitor.go(`/brands/windrow-kites/marks/${slug}`);
    await visitor.page.locator('input[aria-label="Add anything"]').click();
    await visitor.page.keyboard.type('branch along');
    await visitor.page.waitForFunction(() =>
      document.querySelector('[role="option"][aria-selected="true"]')?.textContent?.includes('Branch along a curve'),
    );
    await visitor.press('Enter');
    const growth = async () => ((await part(slug).catch(() => undefined))?.['growth'] ?? {}) as Record<string, unknown>;
    await expect.poll(async () => (await growth())['kind']).toBe('laurel');
    const laurel = await visitor.stage();
    await visitor.pick('Grows along it', 'rose');
    await expect.poll(async () => (await growth())['kind']).toBe('rose');
    // Leaves and flowers in two colors.
    const rose = await visitor.stageAfter(laurel);
    expect(new Set(rose.match(/fill="#[0-9a-f]{6}"/g)).size).toBeGreaterThan(1);
    await visitor.page.evaluate(() =>
      [...document.querySelectorAll('label')].find((each) => each.textContent?.trim() === 'from both ends')?.click(),
    );
    await expect.poll(async () => (await growth())['runs']).toBe('inward');
    await visitor.saved();
    for (const wanted of ['outward', 'outward']) {
      await visitor.chord('Control', 'z');
      await expect.poll(async () => (await growth())['runs']).toBe(wanted);
    }
    await visitor.stageIs(laurel);
  });
});
