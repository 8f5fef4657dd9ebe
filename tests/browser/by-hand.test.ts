import { describe, expect, it } from 'vitest';
import { read, recipeOf, send } from '../support/api';
import { faultsOf, unsaidOn } from '../support/axe';
import { useVisitor } from '../support/browser';
import { Hand } from '../support/hand';

const test = useVisitor();

interface Strokes {
  readonly kind: string;
  readonly strokes: readonly { readonly how: string; readonly brush: string; readonly points: readonly (readonly [number, number])[] }[];
}
interface Saved {
  readonly recipe: {
    readonly parts: readonly { readonly id: string; readonly treatments?: readonly Strokes[] }[];
    readonly whole?: { readonly treatments?: readonly Strokes[] };
  };
}
const api = () => `${test.app.url}/api/brands/windrow-kites/marks`;
const panel = {
  ...{ kind: 'shape', id: 'it', name: 'Board', form: { form: 'panel', widthPx: 400, heightPx: 200, cornerPx: 0 } },
  place: { x: 0, y: 0, turnDeg: 0, scale: 1, flip: true },
} as Parameters<typeof recipeOf>[0];

describe('an eraser and a brush', () => {
  it('rub out and paint on the stage; strokes are moved, changed by their numbers, removed, and all of it is undone', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const { slug } = (await send<{ slug: string }>(api(), 'POST', { name: 'By hand', role: 'secondary', recipe: recipeOf(panel) })).value;
    const strokes = async () => (await read<Saved>(`${api()}/${slug}`)).recipe.parts[0]?.treatments?.[0]?.strokes ?? [];
    const saved = (count: number) => expect.poll(async () => (await strokes()).length, { timeout: 20_000 }).toBe(count);
    await visitor.go(`/brands/windrow-kites/marks/${slug}`);
    const plain = await visitor.stage();
    const hand = new Hand(visitor);
    await hand.row('Board');
    // What was added by its everyday word is drawn at once.
    await hand.add('eraser', 'By hand');
    await page.waitForSelector('[data-handle="strokes"]');
    const frame = await visitor.placeOf('[role="application"]');
    const [cx, cy] = [frame.x + frame.width / 2, frame.y + frame.height / 2];
    const pull = async (...way: readonly (readonly [number, number])[]) => {
      const [first = [0, 0], ...rest] = way;
      await page.mouse.move(cx + first[0], cy + first[1]);
      await page.mouse.down();
      for (const [x, y] of rest) await page.mouse.move(cx + x, cy + y, { steps: 5 });
      await page.mouse.up();
    };
    await pull([-120, -30], [0, 20], [120, -30]);
    await saved(1);
    const rubbed = await visitor.stageAfter(plain);
    // The board is mirrored: what was drawn from the left stands from the right in its own pixels.
    const [first] = await strokes();
    expect(first).toMatchObject({ how: 'away', brush: 'rough' });
    expect((first?.points[0]?.[0] ?? 0) > (first?.points.at(-1)?.[0] ?? 0)).toBe(true);
    expect(first?.points.length).toBeLessThan(25);

    await page.locator('section[aria-label="Recipe"] label ::-p-text(paints)').click();
    await page.locator('section[aria-label="Recipe"] label ::-p-text(chalk)').click();
    await pull([-100, 60], [100, 60]);
    await saved(2);
    expect((await strokes())[1]).toMatchObject({ how: 'on', brush: 'chalk' });
    await visitor.stageAfter(rubbed);
    expect(await faultsOf(page)).toEqual([]);
    expect(await unsaidOn(page)).toEqual([]);

    // Taken and moved; Delete removes the one in hand; undo brings it back.
    await page.locator('button ::-p-text(Move strokes)').click();
    const before = (await strokes())[1]?.points[0]?.[1] ?? 0;
    await pull([0, 60], [0, 20]);
    await expect.poll(async () => ((await strokes())[1]?.points[0]?.[1] ?? 0) < before - 10, { timeout: 20_000 }).toBe(true);
    await page.keyboard.press('Delete');
    await saved(1);
    await visitor.chord('Control', 'z');
    await saved(2);

    // By keys alone: a straight stroke, and its place by a number.
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('[data-handle="strokes"]'));
    await page.locator('button ::-p-text(Straight stroke)').click();
    await saved(3);
    await visitor.fill('Stroke x', '55');
    await page.keyboard.press('Enter');
    await expect
      .poll(
        async () => {
          const xs = ((await strokes())[2]?.points ?? []).map(([x]) => x);
          return Math.round((Math.min(...xs) + Math.max(...xs)) / 2);
        },
        { timeout: 20_000 },
      )
      .toBe(55);
    for (const count of [3, 2]) {
      await visitor.chord('Control', 'z');
      await saved(count);
    }
    expect(visitor.errors).toEqual([]);
  });

  it('work on the whole mark where nothing is chosen', async () => {
    const { visitor } = test;
    const { page } = visitor;
    const { slug } = (await send<{ slug: string }>(api(), 'POST', { name: 'Whole', role: 'secondary', recipe: recipeOf(panel) })).value;
    await visitor.go(`/brands/windrow-kites/marks/${slug}`);
    await visitor.stage();
    await new Hand(visitor).add('rub out', 'By hand');
    await page.waitForSelector('[data-handle="strokes"]');
    const frame = await visitor.placeOf('[role="application"]');
    await page.mouse.click(frame.x + frame.width / 2, frame.y + frame.height / 2);
    await expect
      .poll(async () => (await read<Saved>(`${api()}/${slug}`)).recipe.whole?.treatments?.[0]?.strokes[0]?.points.length, {
        timeout: 20_000,
      })
      .toBe(1);
  });
});
