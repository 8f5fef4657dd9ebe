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

/**
 * Drags a row by its grip to another one. The list looks at the pointer now and then: the hand goes on its way in small steps, and stays at
 * its end, a little moving, until the row is seen where it is wanted.
 * @param below how far below the middle of the other row's grip
 */
const dragRow = async (name: string, to: string, below: number, seen: () => Promise<boolean>) => {
  const { page } = test.visitor;
  const middle = async (of: string) => {
    const { x, y, width, height } = await test.visitor.placeOf(`[aria-label="Restack ${of}"]`);
    return { x: x + width / 2, y: y + height / 2 };
  };
  const from = await middle(name);
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  for (let step = 1; step <= 80; step++) {
    // Rows make room: the other one is elsewhere by now.
    const there = await middle(to);
    const share = Math.min(1, step / 12);
    const sway = step > 12 ? (step % 3) - 1 : 0;
    await page.mouse.move(from.x + (there.x - from.x) * share + sway, from.y + (there.y + below - from.y) * share + sway);
    await page.evaluate(() => new Promise((resolve) => setTimeout(resolve, 60)));
    if (step >= 12 && (await seen())) break;
  }
  await page.mouse.up();
};
/** Names of the rows that stand inside of another one. */
const inner = () => test.visitor.page.$$eval('.members .part strong', (names) => names.map((name) => name.textContent?.trim()));

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
  it('are told apart, renamed, and restacked by dragging and by keys', async () => {
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
    await dragRow('Disk', 'Sun', -22, async () => (await titles())[0] === 'Disk');
    await waitTitles(['Disk', 'Sun', 'Disk 2']);
    await visitor.saved();
    const { recipe } = await read<{ recipe: { parts: { id: string }[] } }>(address);
    expect(recipe.parts.map(({ id }) => id)).toEqual(['disk-3', 'disk-2', 'disk-1']);
  });
});

describe('rows of a group', () => {
  const waitInner = (names: readonly string[]) =>
    test.visitor.page.waitForFunction(
      (wanted) =>
        JSON.stringify([...document.querySelectorAll('.members .part strong')].map((name) => name.textContent?.trim())) === wanted,
      {},
      JSON.stringify(names),
    );

  it('come in and go out by keys and by dragging, and stay where they are seen', async () => {
    const { visitor } = test;
    const address = await open();
    const whole = async () => {
      const { x, y, width, height } = await visitor.placeOf('[data-stage]');
      return [x, y, width, height].map(Math.round);
    };
    for (const id of ['disk-3', 'disk-2']) {
      const at = await middleOf(id);
      if (id === 'disk-2') await visitor.page.keyboard.down('Shift');
      await visitor.page.mouse.click(at.x, at.y);
      await visitor.page.keyboard.up('Shift');
    }
    await chosenRows(2);
    await visitor.chord('Control', 'g');
    await waitInner(['Disk 3', 'Disk 2']);
    const before = await whole();
    const behind = await visitor.placeOf('[data-stage] [data-part="disk-1"]');
    await visitor.page.mouse.click(behind.x + 8, behind.y + behind.height / 2);
    await visitor.click('Unfold Group');
    await waitInner(['Disk 3', 'Disk 2']);
    await visitor.chord('Shift', 'End');
    await waitInner(['Disk', 'Disk 3', 'Disk 2']);
    await visitor.chord('Shift', 'Home');
    await waitInner(['Disk 3', 'Disk 2']);
    await dragRow('Disk', 'Disk 2', 14, async () => (await inner()).includes('Disk'));
    await visitor.page.waitForFunction(() => document.querySelectorAll('.members .part').length === 3);
    await dragRow('Disk 3', 'Group', -22, async () => !(await inner()).includes('Disk 3'));
    await visitor.page.waitForFunction(() => document.querySelectorAll('.members .part').length === 2);
    expect(await whole()).toEqual(before);
    await visitor.saved();
    const { recipe } = await read<{ recipe: { parts: { id: string; members?: string[] }[] } }>(address);
    expect(recipe.parts.find(({ members }) => members)?.members?.sort()).toEqual(['disk-1', 'disk-2']);
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
    // Beside the frame, clear of its ticks.
    await visitor.page.mouse.click(frame.x - 30, frame.y + frame.height / 4);
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

describe('what is chosen', () => {
  interface Shown {
    readonly parts: readonly { readonly id: string; readonly form?: { widthPx: number }; readonly place: Record<string, number> }[];
  }
  const partOf = async (address: string, id: string) =>
    (await read<{ recipe: Shown }>(address)).recipe.parts.find((part) => part.id === id) ?? {
      place: {} as Record<string, number>,
      form: undefined,
    };
  const grip = async (name: string) => {
    const { x, y, width, height } = await test.visitor.placeOf(`[data-grip="${name}"]`);
    return { x: x + width / 2, y: y + height / 2 };
  };

  it('is pulled to size by a corner and turned outside of one; its frame says the measures', async () => {
    const { visitor } = test;
    const address = await open();
    const at = await middleOf('disk-2');
    await visitor.page.mouse.click(at.x, at.y);
    const box = await visitor.placeOf('[data-stage] [data-part="disk-2"]');
    const corner = await grip('size 1 1');
    const { mouse } = visitor.page;
    await mouse.move(corner.x, corner.y);
    await mouse.down();
    await mouse.move(corner.x + box.width * 0.5, corner.y + box.height * 0.5, { steps: 6 });
    await visitor.page.waitForFunction(() => /· 150 %/.test(document.querySelector('.ticks text')?.textContent ?? ''));
    await mouse.up();
    await visitor.saved();
    // The far corner stays: the disk of 100 about 120 was from 70 to 170, and is from 70 to 220.
    await expect.poll(async () => (await partOf(address, 'disk-2')).place['scale']).toBeCloseTo(1.5, 1);
    expect((await partOf(address, 'disk-2')).place['x']).toBeCloseTo(145, -1);

    const turner = await grip('turn 1 -1');
    const center = await middleOf('disk-2');
    await mouse.move(turner.x, turner.y);
    await mouse.down();
    const [dx, dy] = [turner.x - center.x, turner.y - center.y];
    // A quarter turn clockwise about the middle; with Shift it goes in steps of 15°.
    await visitor.page.keyboard.down('Shift');
    await mouse.move(center.x - dy, center.y + dx, { steps: 6 });
    await visitor.page.waitForFunction(() => /\+90\.0°/.test(document.querySelector('.ticks text')?.textContent ?? ''));
    await mouse.up();
    await visitor.page.keyboard.up('Shift');
    await expect.poll(async () => (await partOf(address, 'disk-2')).place['turnDeg']).toBe(90);
  });

  it('by one side keeps the other where it is, and several are pulled together from the middle', async () => {
    const { visitor } = test;
    const address = await open();
    const at = await middleOf('disk-2');
    await visitor.page.mouse.click(at.x, at.y);
    const box = await visitor.placeOf('[data-stage] [data-part="disk-2"]');
    const side = await grip('size 1 0');
    await drag(side, { x: side.x + box.width, y: side.y });
    await visitor.saved();
    await expect
      .poll(async () => (await partOf(address, 'disk-2')).form)
      .toMatchObject({ widthPx: expect.closeTo(200, -1) as number, heightPx: 100 });
    await visitor.chord('Control', 'a');
    await chosenRows(3);
    const corner = await grip('size 1 1');
    await visitor.page.keyboard.down('Alt');
    await drag(corner, { x: corner.x - 40, y: corner.y - 30 });
    await visitor.page.keyboard.up('Alt');
    await visitor.saved();
    await expect.poll(async () => (await partOf(address, 'disk-1')).place['scale'] ?? 1).toBeLessThan(1);
    const scales = await Promise.all(['disk-1', 'disk-2', 'disk-3'].map(async (id) => (await partOf(address, id)).place['scale'] ?? 1));
    for (const scale of scales) expect(scale).toBeCloseTo(scales[0] ?? 0, 6);
  });
});

describe('Undo', () => {
  it('stays under the hand while work is being saved and when it has been', async () => {
    await open();
    const { page } = test.visitor;
    await test.visitor.saved();
    await page.evaluate(() => {
      const asked = window.fetch.bind(window);
      // Slow enough that it is seen to save.
      window.fetch = async (...request) => {
        if (request[1]?.method === 'POST') await new Promise((resolve) => setTimeout(resolve, 300));
        return asked(...request);
      };
      const seen = new Set<string>();
      Object.assign(window, { seen });
      const look = () => {
        const undo = [...document.querySelectorAll('button')].find((button) => button.textContent === 'Undo');
        const note = [...document.querySelectorAll('header [role="status"]')]
          .map((each) => each.textContent?.trim())
          .find((text) => /^Sav/.test(text ?? ''));
        seen.add(`${Math.round(undo?.getBoundingClientRect().left ?? -1)} ${note?.slice(0, 6) ?? ''}`);
        requestAnimationFrame(look);
      };
      look();
    });
    const seen = () => page.evaluate(() => [...(window as unknown as { seen: Set<string> }).seen]);
    await page.locator('section[aria-label="Recipe"] button.title').click();
    await test.visitor.press('ArrowRight');
    await expect.poll(async () => (await seen()).some((each) => each.endsWith('Saving'))).toBe(true);
    await test.visitor.saved();
    const places = new Set((await seen()).filter((each) => /Sav(ing|ed )$/.test(each)).map((each) => each.split(' ')[0]));
    expect(places.size).toBe(1);
  });
});

describe('what comes from elsewhere', () => {
  const pasteText = (text: string) =>
    test.visitor.page.evaluate((words) => {
      const data = new DataTransfer();
      data.setData('text/plain', words);
      document.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
    }, text);

  it('is pasted as what it is: a drawing as art, words as lettering; files are caught wherever they are dropped', async () => {
    const { visitor } = test;
    await open();
    await pasteText('Boat hire\r\nsince spring');
    await visitor.sees('lettering · Marcellus');
    expect((await titles())[0]).toContain('Boat hire');
    await pasteText('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><path d="M0 0H10V10Z" fill="#a33"/></svg>');
    await visitor.sees('Pasted drawing');
    await pasteText('x'.repeat(2001));
    await visitor.sees('What was copied has 2,001 characters; a line holds 2,000.');
    const dropped = await visitor.page.evaluate(() => {
      const data = new DataTransfer();
      data.items.add(
        new File(['<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><circle r="4" cx="4" cy="4"/></svg>'], 'Knob.svg', {
          type: 'image/svg+xml',
        }),
      );
      const event = new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true });
      document.querySelector('section[aria-label="Recipe"]')?.dispatchEvent(event);
      return event.defaultPrevented;
    });
    expect(dropped).toBe(true);
    await visitor.sees('Knob');
  });

  it('and a right click offers what can be done with what is there', async () => {
    const { visitor } = test;
    const address = await open();
    const at = await middleOf('disk-2');
    await visitor.page.mouse.click(at.x, at.y, { button: 'right' });
    await visitor.click('Send to the back', 'menuitem');
    await visitor.saved();
    await expect
      .poll(async () => (await read<{ recipe: { parts: { id: string }[] } }>(address)).recipe.parts.map(({ id }) => id))
      .toEqual(['disk-2', 'disk-1', 'disk-3']);
  });

  it('a long recipe is filtered by name, and nothing but the list changes', async () => {
    const { visitor } = test;
    const many = Array.from(
      { length: 9 },
      (_, n) => ({ ...disk(`d-${n}`, n * 30, 20), name: n === 4 ? 'Sun' : `Dot ${n}` }) as Parameters<typeof recipeOf>[0],
    );
    const made = await send<{ slug: string }>(`${test.app.url}/api/brands/windrow-kites/marks`, 'POST', {
      name: 'Many',
      role: 'secondary',
      recipe: recipeOf(...many),
    });
    await visitor.go(`/brands/windrow-kites/marks/${made.value.slug}`);
    const drawn = await visitor.stage();
    await visitor.fill('Filter the parts', 'su', 'searchbox');
    await visitor.page.waitForFunction(
      () => [...document.querySelectorAll('section[aria-label="Recipe"] .part')].filter((row) => row.checkVisibility()).length === 1,
    );
    expect(await visitor.stage()).toBe(drawn);
  });

  it('at 1024 × 700 every action of the table is in view', async () => {
    const { visitor } = test;
    await visitor.page.setViewport({ width: 1024, height: 700 });
    await open();
    const at = await middleOf('disk-2');
    await visitor.page.mouse.click(at.x, at.y);
    await visitor.page.waitForSelector('[role="toolbar"]');
    const hidden = await visitor.page.$$eval('[role="toolbar"] > button, .line .right button, header button', (buttons) =>
      buttons.flatMap((button) => {
        // What fingers alone need is not there for a mouse.
        if (!button.checkVisibility()) return [];
        const { x, y, width, height } = button.getBoundingClientRect();
        const seen = document.elementFromPoint(x + width / 2, y + height / 2);
        return seen !== null && (button === seen || button.contains(seen)) ? [] : [button.textContent ?? ''];
      }),
    );
    expect(hidden).toEqual([]);
  });
});

describe('the stage', () => {
  it('dresses the mark for its ground as its proof is, and what is done goes on being done to the same parts', async () => {
    const { visitor } = test;
    const address = await open();
    const worn = () =>
      visitor.page.$$eval('[data-dressed] [fill]', (inked) => [...new Set(inked.map((each) => each.getAttribute('fill')))]);
    await visitor.click('ink', 'radio');
    await visitor.click('Dressed');
    await expect.poll(worn).toEqual(['#fffdf8']);
    const at = await middleOf('disk-2');
    await drag(at, { x: at.x + 40, y: at.y });
    await visitor.saved();
    await expect
      .poll(async () => (await read<{ recipe: { parts: { id: string; place: { x: number } }[] } }>(address)).recipe.parts[1]?.place.x)
      .toBeGreaterThan(120);
    await visitor.click('transparent', 'radio');
    await expect.poll(worn).toEqual([]);
  });
});
