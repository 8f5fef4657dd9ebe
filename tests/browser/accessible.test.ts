import axe from 'axe-core';
import { describe, expect, it } from 'vitest';
import { useVisitor } from '../support/browser';

const test = useVisitor();

/** Rules of WCAG 2.0 to 2.2, A and AA, and what axe holds for good practice. */
const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** Everything that axe finds on the page as it is shown, one line each. @source axe-core, https://github.com/dequelabs/axe-core */
async function faults(): Promise<readonly string[]> {
  // The page's content policy keeps foreign scripts out; the browser's own way in is not a script of the page.
  await test.visitor.page.evaluate(axe.source);
  return test.visitor.page.evaluate(async (rules) => {
    const { violations } = await (window as unknown as { axe: typeof axe }).axe.run(document, { runOnly: rules });
    return violations.flatMap(({ id, nodes }) => nodes.map(({ target }) => `${id}: ${target.join(' ')}`));
  }, RULES);
}
const room = (path: string, ready: string) => async () => {
  await test.visitor.go(path);
  await test.visitor.page.waitForSelector(ready);
};
const marks = '/brands/gorsebank-rowing-club/marks/crest';
const onTable = (act: () => Promise<unknown>) => async () => {
  await room(marks, '[data-stage] path')();
  await act();
};
const dialog = (button: string) =>
  onTable(async () => {
    await test.visitor.click(button);
    await test.visitor.page.waitForSelector('dialog[open]');
  });

describe('axe finds nothing', () => {
  it.each([
    ['in the studio', room('/', 'article svg path')],
    ['in the library', room('/library', '[aria-label="Fonts"] svg path')],
    ['in the brief', room('/brands/windrow-kites/brief', 'article img')],
    ['in the type room', room('/brands/windrow-kites/type', '[aria-label="Trials"] .cell path')],
    ['on the table', room(marks, '[data-stage] path')],
    ['with a part open', onTable(() => test.visitor.page.locator('section[aria-label="Recipe"] button.title').click())],
    ['with the add field open', onTable(() => test.visitor.press('/'))],
    [
      'in the art shelf',
      onTable(async () => {
        await test.visitor.fill('Add anything', 'art from', 'combobox');
        await test.visitor.press('Enter');
        await test.visitor.page.waitForSelector('section[aria-label="Art library"] img');
      }),
    ],
    ['in the files', dialog('Files')],
    ['in the colors', dialog('Colors')],
    ['in the keys', dialog('Keys')],
    ['in the actions', dialog('Find')],
    ['in a new mark', dialog('Add a mark')],
    ['in all marks', dialog('All marks')],
    [
      'in a new brand',
      async () => {
        await room('/', 'article svg path')();
        await test.visitor.click('New brand');
        await test.visitor.page.waitForSelector('dialog[open]');
      },
    ],
  ] as const)('%s', async (_, arrive) => {
    await arrive();
    expect(await faults()).toEqual([]);
  });
});
