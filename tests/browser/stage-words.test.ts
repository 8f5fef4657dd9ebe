import { describe, expect, it } from 'vitest';
import { recipeOf, send, read } from '../support/api';
import { useVisitor } from '../support/browser';

const test = useVisitor();

describe('words on the stage', () => {
  const line = (id: string, text: string, more: object = {}) =>
    ({ kind: 'lettering', id, text, font: { family: 'jost' }, sizePx: 90, ...more }) as Parameters<typeof recipeOf>[0];
  const ring = { line: { shape: 'arc', form: 'ring', side: 'over', radiusPx: 200 } };
  const bent = {
    line: {
      shape: 'curve',
      points: [
        { x: -300, y: 0, outX: 100, outY: -100 },
        { x: 300, y: 0, inX: -100, inY: -100 },
      ],
    },
  };

  it.each([
    ['a straight line', {}],
    ['a ring', ring],
    ['a bent line', bent],
  ])('on %s are typed where a caret stands, selected and removed by keys', async (name, more) => {
    const { visitor } = test;
    const made = await send<{ slug: string }>(`${test.app.url}/api/brands/windrow-kites/marks`, 'POST', {
      name: `Words on ${name}`,
      role: 'secondary',
      recipe: recipeOf(line('name', 'Wind', more)),
    });
    await visitor.go(`/brands/windrow-kites/marks/${made.value.slug}`);
    await visitor.stage();
    const paths = await visitor.page.$$('[data-part="name"] path');
    const last = await paths.at(-1)?.boundingBox();
    if (!last) throw new Error('no letter');
    await visitor.page.mouse.click(last.x + last.width * 0.5, last.y + last.height * 0.6, { count: 2 });
    await visitor.page.waitForSelector('textarea[aria-label="Text on the stage"]');
    await visitor.press('End');
    await visitor.page.keyboard.type('row kites');
    await visitor.sees('Windrow kites');
    for (let n = 0; n < 6; n++) await visitor.chord('Shift', 'ArrowLeft');
    await visitor.press('Delete');
    await visitor.press('Home');
    await visitor.page.keyboard.type('Tf');
    await visitor.saved();
    const text = async () =>
      (await read<{ recipe: { parts: { text: string }[] } }>(`${test.app.url}/api/brands/windrow-kites/marks/${made.value.slug}`)).recipe
        .parts[0]?.text;
    await expect.poll(text).toBe('TfWindrow');
    // Escape gives the keys back: the letter is in hand, and Delete takes it out.
    await visitor.press('Escape');
    expect(await visitor.page.$('textarea[aria-label="Text on the stage"]')).toBeNull();
    await visitor.press('Delete');
    await expect.poll(text).toBe('TWindrow');
    await visitor.chord('Control', 'z');
    await expect.poll(text).toBe('TfWindrow');
  });
});
