import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { canvasBox, canvasSchema, dress, expect as must, recoverRecipe, sheetFactsOf, sheetPages, sheetSchema, toSvg } from '$core/index';
import { nameRecipe, palette, read, send } from '../support/api';
import { shelfOf, shipped } from '../support/fonts';
import { resolverOf } from '../support/resolver';
import { startTestApp } from '../support/test-app';

let app: Awaited<ReturnType<typeof startTestApp>>;
let home = '';
const folder = mkdtempSync('/tmp/lucky-sheet-');
beforeAll(async () => {
  app = await startTestApp({ demo: false });
  home = `${app.url}/api/brands/${(await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Sheeted', palette })).value.slug}`;
});
afterAll(() => app.stop());

async function pdf(name: string): Promise<string> {
  const response = await fetch(`${home}/sheet.pdf`);
  expect(response.status).toBe(200);
  const path = join(folder, `${name}.pdf`);
  writeFileSync(path, Buffer.from(await response.arrayBuffer()));
  return path;
}
const partsOfName = () => must(recoverRecipe(nameRecipe('Sheeted'))).parts;
const said = (path: string) => execFileSync('pdfinfo', [path], { encoding: 'utf8' });
const save = async (content: object) => {
  const { number } = await read<{ number: number }>(`${home}/documents/sheet`);
  const answer = await send(`${home}/documents/sheet`, 'PUT', { base: number, content });
  expect(answer.status, JSON.stringify(answer.value)).toBeLessThan(300);
};

describe('the brand sheet as a file', () => {
  it('is refused in a sentence while the brand has no mark', async () => {
    const response = await fetch(`${home}/sheet.pdf`);
    expect(response.status).toBe(422);
    expect(await response.text()).toContain('This brand has no mark yet');
  });

  it('is vectors only, one page each, in the size that was chosen', async () => {
    await send(`${home}/marks`, 'POST', { name: 'Primary', role: 'primary', recipe: nameRecipe('Sheeted') });
    const path = await pdf('first');
    expect(said(path)).toMatch(/Page size:\s+841\.\d+ x 595\.\d+ pts \(A4\)/);
    // Cover, versions, clear space, smallest, grounds, avoid, colors, type: nothing is said in words, no piece is made.
    expect(said(path)).toMatch(/Pages:\s+8\b/);
    expect(execFileSync('pdfimages', ['-list', path], { encoding: 'utf8' }).trim().split('\n')).toHaveLength(2);
    expect(execFileSync('pdffonts', [path], { encoding: 'utf8' }).trim().split('\n')).toHaveLength(2);
  });

  it('follows what the designer decided', async () => {
    await save({ ...sheetSchema.parse({ size: 'wide', design: 'band', left: ['avoid', 'grounds'] }) });
    const path = await pdf('second');
    expect(said(path)).toMatch(/Pages:\s+6\b/);
    expect(said(path)).toMatch(/Page size:\s+907\.\d+ x 510\.\d+ pts/);
    await save({ ...sheetSchema.parse({}) });
  });

  it('shows marks on goods, as many as were chosen and are there, one picture each', async () => {
    const [mark] = await read<readonly { id: string }[]>(`${home}/marks`);
    const on = (scene: string) => ({ mark: mark?.id ?? '', scene });
    await save({
      ...sheetSchema.parse({ goods: [on('mug'), on('phone'), on('no-such-thing'), { mark: 'gone', scene: 'mug' }] }),
    });
    const path = await pdf('goods');
    expect(said(path)).toMatch(/Pages:\s+9\b/);
    const rows = execFileSync('pdfimages', ['-list', path], { encoding: 'utf8' }).trim().split('\n').slice(2);
    expect(rows.map((row) => row.trim().split(/\s+/)[0])).toEqual(['9', '9']);
    expect(execFileSync('pdftotext', ['-f', '9', '-l', '9', path, '-'], { encoding: 'utf8' }).trim()).toBe('');
    await save({ ...sheetSchema.parse({ goods: [on('mug')], left: ['on-goods'] }) });
    expect(said(await pdf('without'))).toMatch(/Pages:\s+8\b/);
    await save({ ...sheetSchema.parse({}) });
  });

  it('shows what the screen shows: a page drawn by a second PDF reader (poppler) is the page as SVG within a mean of 2 of 255', async () => {
    const path = await pdf('third');
    const made = sheetPages(
      sheetSchema.parse({}),
      sheetFactsOf({ name: 'Sheeted', about: '', palette }, [], {
        brief: { audience: '', promise: '', avoid: '', keywords: [], uses: [], voice: {} } as never,
        type: { kept: [], dropped: [], line: '', roles: { name: [], second: [], body: [] } },
        families: shipped,
        measured: new Map([['m', { ratio: 1, clearShare: 0.1, safePx: 20 }]]),
        ...{ sheet: { contact: '' }, board: { items: [] }, pictures: [] },
      }),
    ).find(({ id }) => id === 'colors');
    const [own] = partsOfName();
    if (!made || own?.kind !== 'lettering') throw new Error('There is no page of colors.');
    // The brand's sheet is set in the face of its name.
    const recipe = {
      ...made.recipe,
      parts: made.recipe.parts.map((part) =>
        part.kind === 'lettering'
          ? { ...part, font: { ...own.font, axes: part.font.family === own.font.family ? part.font.axes : own.font.axes } }
          : part,
      ),
    };
    const mark = resolverOf(await shelfOf(own.font.family)).resolve({ recipe, sources: new Map(), dress: dress(palette, 'full') });
    const canvas = recipe.whole?.canvas;
    if (!canvas) throw new Error('The page has no canvas.');
    const screen = await sharp(
      new Resvg(toSvg(mark.drawing, { title: '', box: canvasBox(canvas) }), { fitTo: { mode: 'width', value: 1123 } }).render().asPng(),
    )
      .flatten({ background: palette.paper })
      .raw()
      .toBuffer({ resolveWithObject: true });
    // Without the pages that say nothing, the colors come seventh.
    execFileSync('pdftocairo', [
      '-png',
      '-singlefile',
      '-f',
      '7',
      '-l',
      '7',
      '-scale-to-x',
      String(screen.info.width),
      '-scale-to-y',
      String(screen.info.height),
      path,
      join(folder, 'page'),
    ]);
    const printed = await sharp(readFileSync(join(folder, 'page.png')))
      .removeAlpha()
      .raw()
      .toBuffer();
    let sum = 0;
    let counted = 0;
    // The page's number and the space of its title differ: only the room of the page itself is compared.
    for (let row = Math.round(screen.info.height * 0.22); row < Math.round(screen.info.height * 0.9); row++)
      for (let at = row * screen.info.width * 3; at < (row + 1) * screen.info.width * 3; at++, counted++)
        sum += Math.abs((screen.data[at] as number) - (printed[at] as number));
    expect(sum / counted).toBeLessThan(2);
  });

  it('is a folder for browsers too: every picture there, nothing from elsewhere, every word to be copied', async () => {
    const files = unzipSync(new Uint8Array(await (await fetch(`${home}/sheet.zip`)).arrayBuffer()));
    const page = Buffer.from(files['brand-sheet/index.html'] ?? []).toString();
    const pictures = [...page.matchAll(/<img src="([^"]+)" alt="([^"]+)">/g)];
    expect(pictures.length).toBeGreaterThan(4);
    for (const [, file, title] of pictures) {
      const svg = Buffer.from(files[`brand-sheet/${file}`] ?? []).toString();
      expect(svg, file).toMatch(/^<svg /);
      expect(page).toContain(`<strong>${title}</strong>`);
      // Vectors, outlined: no fonts, no scripts, no address but the namespaces' own.
      expect(svg).not.toMatch(/<(text|script|image|style|foreignObject)\b/);
    }
    expect(page).not.toMatch(/<script|https?:|url\(/);
    expect(page).toContain(palette.lead);
    expect(
      Buffer.from(files['brand-sheet/brand-sheet.pdf'] ?? [])
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
  });

  it('goes along in a pack, showing the marks and saying the words that there were when it was ordered', async () => {
    const worker = await app.worker();
    const marks = await read<readonly { id: string; slug: string; revision: number }[]>(`${home}/marks`);
    const [mark] = marks;
    const order = { id: '11111111-2222-4333-8444-777777777777', name: 'With the sheet' };
    const plan = {
      pattern: '{brand}-{mark}',
      sheet: true,
      packs: [
        {
          ...{ id: 'profiles', kind: 'profiles', marks: [mark?.id], dressings: ['full'], formats: ['svg'] },
          sizes: [{ label: 'as it is', canvas: canvasSchema.parse({ width: 200 }) }],
        },
      ],
    };
    expect((await send(`${home}/handovers`, 'POST', { ...order, plan })).status).toBeLessThan(300);
    const folder = async () => {
      const response = await fetch(`${home}/handovers/${order.id}/pack.zip`);
      return response.ok ? unzipSync(new Uint8Array(await response.arrayBuffer())) : undefined;
    };
    await expect.poll(async () => Object.keys((await folder()) ?? {}), { interval: 500 }).toContain('brand-sheet/index.html');
    const before = Buffer.from((await folder())?.['brand-sheet/02-versions.svg'] ?? []).toString();
    expect(before).toMatch(/^<svg /);
    const gesture = { id: '11111111-2222-4333-8444-888888888888', kind: 'edit', gesture: 'Other name', recipe: nameRecipe('Otherwise') };
    const saved = await send(`${home}/marks/${mark?.slug}/revisions`, 'POST', { base: mark?.revision, gestures: [gesture] });
    expect(saved.status, JSON.stringify(saved.value)).toBeLessThan(300);
    expect(Buffer.from((await folder())?.['brand-sheet/02-versions.svg'] ?? []).toString()).toBe(before);
    // What is written since is in today's sheet, and not in one that was handed over.
    const pageOf = async () => Buffer.from((await folder())?.['brand-sheet/index.html'] ?? []).toString();
    const handedOver = await pageOf();
    await save({ contact: 'Written since, at the Weir House' });
    expect(await pageOf()).toBe(handedOver);
    expect(handedOver).not.toContain('Weir House');
    expect(
      (await send(`${home}/handovers`, 'POST', { id: '11111111-2222-4333-8444-aaaaaaaaaaaa', name: 'Again', plan })).status,
    ).toBeLessThan(300);
    order.id = '11111111-2222-4333-8444-aaaaaaaaaaaa';
    await expect.poll(pageOf, { interval: 500 }).toContain('Weir House');
    await worker.stop();
  });
});
