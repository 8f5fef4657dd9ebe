import { describe, expect, it } from 'vitest';
import { read, recipeOf, send } from '../support/api';
import { useVisitor } from '../support/browser';

const test = useVisitor();

interface Place {
  readonly x: number;
  readonly y: number;
}
interface Shown {
  readonly recipe: { readonly parts: readonly { readonly id: string; readonly text?: string; readonly place: Record<string, number> }[] };
}
const TABLET = { width: 1024, height: 768, hasTouch: true, isMobile: true };
let marks = 0;

/** Opens a mark of two disks and a name on a tablet. @returns where the server has it */
async function open(): Promise<string> {
  const disk = (id: string, x: number) =>
    ({
      kind: 'shape',
      id,
      form: { form: 'disk', widthPx: 120, heightPx: 120 },
      paint: { role: 'lead' },
      place: { x, y: 0, turnDeg: 0 },
    }) as Parameters<typeof recipeOf>[0];
  const name = { kind: 'lettering', id: 'name', text: 'Kite', font: { family: 'jost' }, place: { x: 0, y: 220, turnDeg: 0 } };
  const recipe = recipeOf(disk('disk-1', -100), disk('disk-2', 100), name as Parameters<typeof recipeOf>[0]);
  const made = await send<{ slug: string }>(`${test.app.url}/api/brands/windrow-kites/marks`, 'POST', {
    name: `Touched ${++marks}`,
    role: 'secondary',
    recipe,
  });
  await test.visitor.page.setViewport(TABLET);
  await test.visitor.go(`/brands/windrow-kites/marks/${made.value.slug}`);
  await test.visitor.stage();
  return `${test.app.url}/api/brands/windrow-kites/marks/${made.value.slug}`;
}
const middleOf = async (selector: string): Promise<Place> => {
  const { x, y, width, height } = await test.visitor.placeOf(selector);
  return { x: x + width / 2, y: y + height / 2 };
};
const onStage = (id: string) => middleOf(`[data-stage] [data-part="${id}"]`);
const tap = (at: Place) => test.visitor.page.touchscreen.tap(at.x, at.y);
/** Taps a control by the name that is read aloud. */
const tapOn = async (name: string, role = 'button') => {
  const control = await test.visitor.page.waitForSelector(`::-p-aria([name="${name}"][role="${role}"])`, { visible: true });
  await control?.tap();
};
const pull = async (from: Place, to: Place) => {
  const finger = await test.visitor.page.touchscreen.touchStart(from.x, from.y);
  for (let step = 1; step <= 6; step++) await finger.move(from.x + ((to.x - from.x) * step) / 6, from.y + ((to.y - from.y) * step) / 6);
  await finger.end();
};
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const chosen = (count: number) =>
  test.visitor.page.waitForFunction((wanted) => document.querySelectorAll('.part.chosen').length === wanted, {}, count);
const partOf = async (address: string, id: string) => (await read<Shown>(address)).recipe.parts.find((part) => part.id === id);
const view = () => test.visitor.page.$eval('[data-stage]', (stage) => stage.getAttribute('transform') ?? '');
const scaleOf = (transform: string) => Number(/scale\(([\d.]+)\)/.exec(transform)?.[1]);

describe('by fingers alone, on a tablet', () => {
  it('a part is chosen, moved, pulled to size and turned', async () => {
    const address = await open();
    const at = await onStage('disk-2');
    await tap(at);
    await chosen(1);
    await pull(at, { x: at.x + 60, y: at.y + 40 });
    await test.visitor.saved();
    await expect.poll(async () => (await partOf(address, 'disk-2'))?.place['x']).toBeGreaterThan(120);
    const corner = await middleOf('[data-grip="size 1 1"]');
    await pull(corner, { x: corner.x + 40, y: corner.y + 40 });
    await expect.poll(async () => (await partOf(address, 'disk-2'))?.place['scale']).toBeGreaterThan(1.1);
    const turner = await middleOf('[data-grip="turn 1 -1"]');
    const center = await onStage('disk-2');
    await pull(turner, { x: center.x + (center.y - turner.y), y: center.y + (turner.x - center.x) });
    await expect.poll(async () => (await partOf(address, 'disk-2'))?.place['turnDeg']).toBeGreaterThan(60);
  });

  it('two fingers zoom and move the view, and what the first one moved on its way there stays where it was', async () => {
    const address = await open();
    const before = await view();
    const place = (await partOf(address, 'disk-1'))?.place;
    const { touchscreen } = test.visitor.page;
    const at = await onStage('disk-1');
    const one = await touchscreen.touchStart(at.x, at.y);
    await one.move(at.x - 12, at.y);
    const other = await touchscreen.touchStart(at.x + 100, at.y);
    for (let step = 1; step <= 5; step++) {
      await one.move(at.x - 12 - step * 10, at.y);
      await other.move(at.x + 100 + step * 10, at.y);
    }
    await one.end();
    await other.end();
    expect(scaleOf(await view()) / scaleOf(before)).toBeCloseTo(212 / 112, 1);
    // What is done next is the next revision: nothing came in between.
    await tap(await onStage('disk-2'));
    await chosen(1);
    await tapOn('Duplicate');
    await test.visitor.saved();
    await expect.poll(async () => (await read<Shown>(address)).recipe.parts.length).toBe(4);
    expect((await partOf(address, 'disk-1'))?.place).toEqual(place);
  });

  it('a double tap writes on the stage', async () => {
    const address = await open();
    const at = await onStage('name');
    const { page } = test.visitor;
    const writes = () => document.activeElement?.getAttribute('aria-label') === 'Text on the stage';
    // The browser joins two taps within a third of a second: on a busy machine a pair may come too slowly, and a hand taps again.
    for (let pair = 0; pair < 30 && !(await page.evaluate(writes)); pair++) {
      await tap(at);
      await tap(at);
      await page.waitForFunction(writes, { timeout: 2_000 }).catch(() => undefined);
    }
    await page.waitForFunction(writes);
    await test.visitor.page.keyboard.press('End');
    await test.visitor.page.keyboard.type('s');
    await tap({ x: at.x, y: at.y + 120 });
    await expect.poll(async () => (await partOf(address, 'name'))?.text).toBe('Kites');
  });

  it('a long press offers what can be done there; several are chosen by taps and aligned', async () => {
    const { visitor } = test;
    const address = await open();
    const at = await onStage('disk-2');
    const finger = await visitor.page.touchscreen.touchStart(at.x, at.y);
    await pause(700);
    await finger.end();
    await tapOn('Send to the back', 'menuitem');
    await expect.poll(async () => (await read<Shown>(address)).recipe.parts[0]?.id).toBe('disk-2');

    await tapOn('Several');
    await tap(await onStage('disk-1'));
    await chosen(2);
    await tap(await onStage('name'));
    await chosen(3);
    // A second tap takes it out again, and so does one on its row.
    await pause(700);
    await tap(await onStage('name'));
    await chosen(2);
    await (await visitor.page.$('section[aria-label="Recipe"] .part ::-p-text(Kite)'))?.tap();
    await chosen(3);
    await tapOn('Several');
    await tap(await onStage('name'));
    await pull(await onStage('name'), await onStage('disk-1'));
    expect((await read<Shown>(address)).recipe.parts).toHaveLength(3);
  });

  it('a row is restacked, and a color is pulled', async () => {
    const { visitor } = test;
    const address = await open();
    const grip = (name: string) => middleOf(`[aria-label="Restack ${name}"]`);
    const order = async () => (await read<Shown>(address)).recipe.parts.map(({ id }) => id);
    const from = await grip('Kite');
    const finger = await visitor.page.touchscreen.touchStart(from.x, from.y);
    const titles = () =>
      visitor.page.$$eval('section[aria-label="Recipe"] .title strong', (names) => names.map((name) => name.textContent));
    // The list looks at the finger now and then: it goes on its way in small steps, and stays until the row is seen where it is wanted.
    for (let step = 1; step <= 80; step++) {
      const to = await grip('Disk');
      await finger.move(from.x + (step % 3), from.y + (to.y + 10 - from.y) * Math.min(1, step / 12));
      await pause(60);
      if (step >= 12 && (await titles()).at(-1) === 'Kite') break;
    }
    await finger.end();
    await expect.poll(order).toEqual(['name', 'disk-1', 'disk-2']);

    await visitor.go('/brands/windrow-kites/color');
    await visitor.page.waitForSelector('[aria-label="Lightness and chroma"]');
    const lead = () => visitor.page.$eval('[aria-label="Lightness and chroma"]', (plane) => plane.getAttribute('aria-valuetext'));
    const before = await lead();
    const plane = await visitor.placeOf('[aria-label="Lightness and chroma"]');
    await pull(
      { x: plane.x + plane.width * 0.2, y: plane.y + plane.height * 0.5 },
      { x: plane.x + plane.width * 0.3, y: plane.y + plane.height * 0.3 },
    );
    await visitor.saved();
    expect(await lead()).not.toBe(before);
  });

  it('whoever has a mouse alone is not shown what fingers need', async () => {
    await open();
    await test.visitor.page.setViewport({ width: 1280, height: 800 });
    await test.visitor.stage();
    expect(
      await test.visitor.page.$$eval('button', (buttons) =>
        buttons.some((button) => button.textContent === 'Several' && button.checkVisibility()),
      ),
    ).toBe(false);
  });
});
