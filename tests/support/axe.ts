import axe from 'axe-core';
import type { Page } from 'puppeteer-core';

/** Rules of WCAG 2.0 to 2.2, A and AA, and what axe holds for good practice. */
const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** Everything that axe finds on the page as it is shown, one line each. @source axe-core, https://github.com/dequelabs/axe-core */
export async function faultsOf(page: Page): Promise<readonly string[]> {
  // The page's content policy keeps foreign scripts out; the browser's own way in is not a script of the page.
  await page.evaluate(axe.source);
  return page.evaluate(async (rules) => {
    const { violations } = await (window as unknown as { axe: typeof axe }).axe.run(document, { runOnly: rules });
    return violations.flatMap(({ id, nodes }) => nodes.map(({ target }) => `${id}: ${target.join(' ')}`));
  }, RULES);
}

/** Controls that say no sentence when they are hovered or focused; fields that are asked and lists that are open say what they are themselves, and the cross of a dialog does. */
export const unsaidOn = (page: Page): Promise<readonly string[]> =>
  page.evaluate(() => {
    const controls =
      ':is(button, input, select, textarea):not([role="combobox"], [role="option"], [role="menuitem"], [type="hidden"], [formnovalidate])';
    return [...document.querySelectorAll<HTMLElement>(`main ${controls}, dialog[open] ${controls}`)]
      .filter((control) => control.checkVisibility({ visibilityProperty: true }) && !control.closest('[title]'))
      .map((control) => control.outerHTML.replace(/\s+/g, ' ').slice(0, 140));
  });
