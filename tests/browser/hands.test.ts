import { describe, expect, it } from 'vitest';
import { recipeOf, send, read } from '../support/api';
import { useVisitor } from '../support/browser';

const test = useVisitor();

const disk = (id: string, x: number, size = 100, role = 'lead') =>
  ({
    kind: 'shape',
    id,
    form: { form: 'disk', widthPx: size, heightPx: size },
    paint: { role },
    place: { x, y: 0, turnDeg: 0 },
  }) as Parameters<typeof recipeOf>[0];
let marks = 0;
/** Opens a mark of two disks side by side and one in front of the first. */
async function open(): Promise<string> {
  const recipe = recipeOf(disk('disk-1', -100, 160), disk('disk-2', 120, 100, 'accent'), disk('disk-3', -100, 60, 'ink'));
  const made = await send<{ slug: string }>(`${test.app.url}/api/brands/windrow-kites/marks`, 'POST', {
    name: `Hands ${++marks}`,
    role: 'secondary',
    recipe,
  });
  await test.visitor.go(`/brands/windrow-kites/marks/${made.value.slug}`);
  await test.visitor.stage();
  return `${test.app.url}/api/brands/windrow-kites/marks/${made.value.slug}`;
}
const titles = () =>
  test.visitor.page.$$eval('section[aria-label="Recipe"] .title strong', (names) => names.map((name) => name.textContent?.trim()));
const waitTitles = (wanted: readonly string[]) =>
  test.visitor.page.waitForFunction(
    (names) =>
      JSON.stringify(
        [...document.querySelectorAll('section[aria-label="Recipe"] .title strong')].map((each) => each.textContent?.trim()),
      ) === names,
    {},
    JSON.stringify(wanted),
  );
const chosenRows = (count: number) =>
  test.visitor.page.waitForFunction((wanted) => document.querySelectorAll('.part.chosen').length === wanted, {}, count);
/** The middle of a drawn part on the screen. */
const middleOf = async (id: string) => {
  const { x, y, width, height } = await test.visitor.placeOf(`[data-stage] [data-part="${id}"]`);
  return { x: x + width / 2, y: y + height / 2 };
};
const drag = async (from: { x: number; y: number }, to: { x: number; y: number }) => {
  const { mouse } = test.visitor.page;
  await mouse.move(from.x, from.y);
  await mouse.down();
  await mouse.move((from.x + to.x) / 2, (from.y + to.y) / 2, { steps: 5 });
  await mouse.move(to.x, to.y, { steps: 5 });
  await mouse.up();
};

describe('the keys of the table', () => {
  it('work after a swatch, a list and a number; a number never gets what is meant for the table', async () => {
    const { visitor } = test;
    await open();
    const at = await middleOf('disk-2');
    await visitor.page.mouse.click(at.x, at.y);
    await visitor.click('second', 'radio');
    await visitor.press('?');
    await visitor.sees('Keys of the table');
    await visitor.press('Escape');
    await visitor.seesNot('Keys of the table');
    // Escape closed the list only.
    await chosenRows(1);
    await visitor.fill('Width', '80');
    await visitor.press('Enter');
    const before = await visitor.stage();
    await visitor.press('ArrowRight');
    await visitor.stageAfter(before);
    await visitor.press('Delete');
    await waitTitles(['Disk 2', 'Disk']);
  });

  it('of one letter can be switched off', async () => {
    const { visitor } = test;
    await open();
    await visitor.press('?');
    await visitor.click('Keys of one letter or sign work (switch off where speech or another tool sends them)', 'checkbox');
    await visitor.press('Escape');
    await visitor.seesNot('Keys of the table');
    await visitor.press('t', '/');
    expect(await visitor.page.evaluate(() => document.activeElement?.getAttribute('role'))).not.toBe('combobox');
    await visitor.press('?');
    await visitor.click('Keys of one letter or sign work (switch off where speech or another tool sends them)', 'checkbox');
    await visitor.press('Escape');
    await visitor.seesNot('Keys of the table');
    await visitor.press('/');
    await visitor.page.waitForFunction(() => document.activeElement?.getAttribute('role') === 'combobox');
  });
});

describe('rows', () => {
  it('are told apart, renamed, and restacked by dragging and by keys', { retry: 2 }, async () => {
    const { visitor } = test;
    const address = await open();
    expect(await titles()).toEqual(['Disk 3', 'Disk 2', 'Disk']);
    const at = await middleOf('disk-2');
    await visitor.page.mouse.click(at.x, at.y);
    await visitor.press('F2');
    await visitor.page.waitForSelector('input[aria-label="Name of Disk 2"]');
    await visitor.page.keyboard.type('Sun');
    await visitor.press('Enter');
    await waitTitles(['Disk 2', 'Sun', 'Disk']);
    await visitor.press('End');
    await waitTitles(['Disk 2', 'Disk', 'Sun']);
    await visitor.press('Home');
    await waitTitles(['Sun', 'Disk 2', 'Disk']);
    const grip = await visitor.placeOf('[aria-label="Restack Disk"]');
    const top = await visitor.placeOf('[aria-label="Restack Sun"]');
    const { mouse } = visitor.page;
    await mouse.move(grip.x + 6, grip.y + grip.height / 2);
    await mouse.down();
    // The list looks at the pointer now and then: the hand stays on the way until the row is seen at its new place.
    for (let step = 0; step < 60; step++) {
      await mouse.move(grip.x + 6 + (step % 2), Math.max(top.y - 4, grip.y - 20 * (step + 1)));
      const first = await visitor.page.$eval('.rows > div strong', (name) => name.textContent?.trim());
      if (first === 'Disk') break;
      await visitor.page.evaluate(() => new Promise((resolve) => setTimeout(resolve, 100)));
    }
    await mouse.up();
    await waitTitles(['Disk', 'Sun', 'Disk 2']);
    await visitor.saved();
    const { recipe } = await read<{ recipe: { parts: { id: string }[] } }>(address);
    expect(recipe.parts.map(({ id }) => id)).toEqual(['disk-3', 'disk-2', 'disk-1']);
  });
});

describe('the pointer on the stage', () => {
  it('chooses by a pulled frame, goes on to what lies behind, and moves the view with Space', async () => {
    const { visitor } = test;
    await open();
    const frame = await visitor.placeOf('[data-stage]');
    await drag({ x: frame.x - 30, y: frame.y - 30 }, { x: frame.x + frame.width + 30, y: frame.y + frame.height + 30 });
    await chosenRows(3);
    const front = await middleOf('disk-3');
    await visitor.page.mouse.click(frame.x - 30, frame.y - 30);
    await chosenRows(0);
    await visitor.page.mouse.click(front.x, front.y);
    await visitor.page.waitForFunction(() => document.querySelector('.part.open strong')?.textContent === 'Disk 3');
    // A slow second click: two quick ones are a double click.
    await new Promise((resolve) => setTimeout(resolve, 700));
    await visitor.page.mouse.click(front.x, front.y);
    await visitor.page.waitForFunction(() => document.querySelector('.part.open strong')?.textContent === 'Disk');
    const transform = () => visitor.page.$eval('[data-stage]', (stage) => stage.getAttribute('transform'));
    const before = await transform();
    const drawn = await visitor.stage();
    await visitor.page.keyboard.down(' ');
    await drag(front, { x: front.x + 60, y: front.y + 30 });
    await visitor.page.keyboard.up(' ');
    expect(await transform()).not.toBe(before);
    expect(await visitor.stage()).toBe(drawn);
  });

  it('finds its view, its ground and what was chosen again after the page was loaded anew', async () => {
    const { visitor } = test;
    await open();
    const at = await middleOf('disk-2');
    await visitor.page.mouse.click(at.x, at.y);
    await chosenRows(1);
    await visitor.press('+', '+');
    const transform = () => visitor.page.$eval('[data-stage]', (stage) => stage.getAttribute('transform'));
    const before = await transform();
    await visitor.page.reload();
    await visitor.stage();
    await chosenRows(1);
    await visitor.page.waitForFunction(
      (wanted) => document.querySelector('[data-stage]')?.getAttribute('transform') === wanted,
      {},
      before,
    );
  });
});
