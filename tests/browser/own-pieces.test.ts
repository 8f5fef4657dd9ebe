import { describe, expect, it } from 'vitest';
import { read, recipeOf, send } from '../support/api';
import { useVisitor } from '../support/browser';

const test = useVisitor();

interface Part {
  readonly id: string;
  readonly kind: string;
  readonly opacity?: number;
  readonly oneColor?: string;
  readonly sha256?: string;
  readonly source?: { readonly title: string };
}
const brand = () => `${test.app.url}/api/brands/gorsebank-rowing-club/marks`;

/** Opens a mark in which a builder's parts stand. @returns where the server has it */
async function begin(name: string, builder: string): Promise<string> {
  const { visitor } = test;
  const made = await send<{ slug: string }>(brand(), 'POST', { name, role: 'primary', recipe: recipeOf() });
  await visitor.go(`/brands/gorsebank-rowing-club/marks/${made.value.slug}`);
  await visitor.page.locator('input[aria-label="Add anything"]').click();
  await visitor.page.keyboard.type(builder);
  await visitor.page.waitForFunction(
    (wanted) => document.querySelector('[role="option"][aria-selected="true"]')?.textContent?.toLowerCase().includes(wanted),
    {},
    builder,
  );
  await visitor.press('Enter');
  await visitor.stage();
  return `${brand()}/${made.value.slug}`;
}
const partsAt = async (address: string) => (await read<{ recipe: { parts: readonly Part[] } }>(address)).recipe.parts;
const artAt = async (address: string) => (await partsAt(address)).flatMap((part) => (part.kind === 'art' ? [part] : []));
async function lookFor(label: string, words: string, begins: string): Promise<void> {
  await test.visitor.fill(label, words, 'searchbox');
  await test.visitor.press('Enter');
  await test.visitor.page.locator(`button[aria-label^="${begins}"]`).click();
}

describe('pieces of one’s own', () => {
  it('are borne on a crest: looked for, named, turned round and let go', async () => {
    const { visitor } = test;
    const address = await begin('Borne', 'crest');
    await lookFor('Pictures to bear', 'heron', 'Bear ');
    await visitor.page.waitForSelector('button[aria-label="Turn heron round"]');
    await visitor.fill('Pictures to bear', 'no. 7', 'searchbox');
    await visitor.press('Enter');
    await visitor.sees('A charge is called by letters alone');
    await visitor.click('Let go of heron');
    await visitor.page.waitForFunction(() => !document.querySelector('button[aria-label="Turn heron round"]'));
    expect((await partsAt(address)).length).toBeGreaterThan(0);
  });

  it('stand behind an initial: found, as faint and as large as is asked, let go, and back by undo', async () => {
    const { visitor } = test;
    const address = await begin('Behind', 'monogram');
    await visitor.pick('Construction', 'picture');
    await visitor.sees('Nothing stands behind the letters yet');
    await lookFor('Picture behind', 'wave', 'Put ');
    await expect.poll(async () => (await artAt(address)).length).toBe(1);
    expect((await artAt(address))[0]).toMatchObject({ opacity: 0.35, oneColor: 'left-out' });
    await visitor.click('Let go');
    await expect.poll(async () => (await artAt(address)).length).toBe(0);
    await visitor.page.locator('section[aria-label="Recipe"]').click();
    await visitor.chord('Control', 'z');
    await expect.poll(async () => (await artAt(address)).length).toBe(1);
  });
});
