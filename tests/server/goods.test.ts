import { randomUUID } from 'node:crypto';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { canvasSchema, ownGoodsSchema, sideBySide, startOwnGoods, type HandoverPlan, type OwnGoods } from '$core/index';
import { nameRecipe, palette, read, send } from '../support/api';
import { random } from '../support/random';
import { startTestApp } from '../support/test-app';

interface PackView {
  readonly id: string;
  readonly files: readonly { readonly name: string; readonly state: string; readonly reason: unknown; readonly sizeBytes: number | null }[];
}

const [WIDE, HIGH] = [640, 480];
/** Cloth in folds, as no scene of ours has it. */
const cloth = (seed: number) => {
  const next = random(seed);
  const pixels = Buffer.alloc(WIDE * HIGH * 3);
  for (let at = 0; at < WIDE * HIGH; at++) {
    const light = 0.7 + 0.25 * Math.sin((at % WIDE) / 14 + Math.floor(at / WIDE) / 60) + (next() - 0.5) * 0.02;
    [70, 90, 120].forEach((part, k) => (pixels[at * 3 + k] = Math.round(part * light)));
  }
  return sharp(pixels, { raw: { width: WIDE, height: HIGH, channels: 3 } })
    .png()
    .toBuffer();
};

let app: Awaited<ReturnType<typeof startTestApp>>;
let worker: Awaited<ReturnType<typeof app.worker>>;
let home = '';
let mark: { readonly id: string; readonly slug: string };
let photo = '';
const bring = async (address: string, seed: number): Promise<string> => {
  const response = await fetch(`${address}/photos?name=apron.png`, {
    method: 'POST',
    headers: { 'content-type': 'application/octet-stream' },
    body: new Uint8Array(await cloth(seed)),
  });
  const [photo] = (await response.json()) as readonly { id: string }[];
  return photo?.id ?? '';
};
const newBrand = async (name: string) => {
  const api = `${app.url}/api/brands`;
  return `${api}/${(await send<{ slug: string }>(api, 'POST', { name, palette })).value.slug}`;
};
beforeAll(async () => {
  app = await startTestApp({ demo: false });
  worker = await app.worker();
  home = await newBrand('Drapery');
  mark = (await send<typeof mark>(`${home}/marks`, 'POST', { name: 'Primary', role: 'primary', recipe: nameRecipe('Drapery') })).value;
  photo = await bring(home, 3);
});
afterAll(async () => {
  await worker.stop();
  await app.stop();
});

const own = (change: Partial<OwnGoods> = {}): OwnGoods => ({ ...startOwnGoods(photo, 'Apron', WIDE, HIGH), ...change });
const shown = (goods: unknown, more = '') =>
  fetch(
    `${home}/marks/${mark.slug}/goods/own-${randomUUID()}?width=640${more}&own=${encodeURIComponent(typeof goods === 'string' ? goods : JSON.stringify(goods))}`,
  );
const pixelsOf = async (response: Response) => {
  expect(response.status, response.ok ? '' : await response.clone().text()).toBe(200);
  return sharp(Buffer.from(await response.arrayBuffer()))
    .raw()
    .toBuffer({ resolveWithObject: true });
};

describe('a photo of one’s own goods', () => {
  it('shows the mark in its place alone, and the photo as it was everywhere else', async () => {
    const { data, info } = await pixelsOf(await shown(own({ ink: 1 }), '&dressing=white'));
    expect([info.width, info.height]).toEqual([WIDE, HIGH]);
    const bare = await sharp(await cloth(3))
      .raw()
      .toBuffer();
    let [beside, within] = [0, 0];
    for (let at = 0; at < WIDE * HIGH; at++) {
      const [x, y] = [at % WIDE, Math.floor(at / WIDE)];
      const off = Math.abs((data[at * 3] as number) - (bare[at * 3] as number));
      // Eight pixels are left around the place: JPEG changes whole blocks.
      const [dx, dy] = [Math.abs(x - WIDE / 2), Math.abs(y - HIGH / 2)];
      if (dx > 128 || dy > 128) beside = Math.max(beside, off);
      else within = Math.max(within, off);
    }
    expect(within).toBeGreaterThan(80);
    // The copy that is looked at is WebP, and the answer JPEG: each changes a few levels.
    expect(beside).toBeLessThan(24);
  });
  it('takes a color for its cloth where it was clicked', async () => {
    const { data } = await pixelsOf(await shown(own({ cloth: { at: [{ x: 0.1, y: 0.1 }], spread: 1, color: 'lead' } })));
    const middle = (10 * WIDE + 40) * 3;
    // Lead is #b5482d: far more red than blue; the cloth was blue.
    expect((data[middle] as number) - (data[middle + 2] as number)).toBeGreaterThan(60);
  });
  it('is refused in a sentence: corners that cross, no JSON, fields of nobody, a photo of another brand, a color that is not there', async () => {
    const [a, b, c, d] = own().corners;
    const crossed = await shown(own({ corners: [a, c, b, d] }));
    expect([crossed.status, await crossed.text()]).toEqual([422, expect.stringContaining('cross')]);
    expect((await shown('{"photo":')).status).toBe(422);
    expect((await shown({ ...own(), secret: 1 })).status).toBe(422);
    const foreign = await bring(await newBrand('Strangers'), 4);
    expect((await shown(own({ photo: foreign }))).status).toBe(404);
    expect((await shown(own({ cloth: { at: [], spread: 1, color: 's-nothing' as never } }))).status).toBe(422);
  });
});

describe('goods in a pack', () => {
  const plan = (goods: readonly string[], together = false): HandoverPlan => ({
    pattern: '{brand}-{mark}-{colorway}-{size}',
    packs: [
      {
        ...{ id: 'goods', kind: 'goods', marks: [mark.id], dressings: [], formats: ['jpg'], goods: [...goods], together },
        sizes: [{ label: 'for pages', canvas: canvasSchema.parse({ width: 600 }) }],
      },
    ],
  });
  const made = async (id: string) => {
    await expect
      .poll(async () => (await read<PackView>(`${home}/handovers/${id}`)).files.map(({ state }) => state), {
        timeout: 200_000,
        interval: 200,
      })
      .toSatisfy((states: string[]) => states.every((state) => state === 'done' || state === 'failed'));
    return read<PackView>(`${home}/handovers/${id}`);
  };
  it('come as they are shown, those that ship and one’s own, under their names; those that are gone are passed over', async () => {
    const id = randomUUID();
    const desk = { shown: { [`${mark.id}/mug`]: { tint: 'lead', dressing: 'white' } }, own: { [id]: ownGoodsSchema.parse(own()) } };
    expect((await send(`${home}/documents/goods`, 'PUT', { base: 0, content: desk })).status).toBe(200);
    const pack = randomUUID();
    const order = await send<PackView>(`${home}/handovers`, 'POST', {
      ...{ id: pack, name: 'Goods' },
      plan: plan(['mug', `own-${id}`, 'gone'], true),
    });
    expect(order.status, JSON.stringify(order.value)).toBe(201);
    const { files } = await made(pack);
    expect(files.map(({ name, state, reason }) => [name, state, reason])).toEqual([
      ['goods/drapery-primary-white-mug-600w.jpg', 'done', null],
      ['goods/drapery-primary-reversed-apron-600w.jpg', 'done', null],
      ['goods/drapery-primary-white-goods-side-by-side-600w.jpg', 'done', null],
    ]);
    const zip = unzipSync(new Uint8Array(await (await fetch(`${home}/handovers/${pack}/pack.zip`)).arrayBuffer()));
    for (const { name } of files) {
      const { width, format } = await sharp(zip[name]).metadata();
      expect([width, format]).toEqual([600, 'jpeg']);
    }
    // The mug has the brand's lead; as it comes it is nearly white.
    const mug = await sharp(zip['goods/drapery-primary-white-mug-600w.jpg']).stats();
    expect((mug.channels[0]?.mean ?? 0) - (mug.channels[2]?.mean ?? 0)).toBeGreaterThan(15);
    expect(new TextDecoder().decode(zip['read-me.txt'])).toContain('on: apron');
    // Side by side: the mug to the left, the apron to the right, each as in its own picture.
    const sheet = zip['goods/drapery-primary-white-goods-side-by-side-600w.jpg'] as Uint8Array;
    const { width: wide = 0, height: high = 0 } = await sharp(sheet).metadata();
    const ratios = [];
    for (const { name } of files.slice(0, 2)) {
      const { width, height } = await sharp(zip[name]).metadata();
      ratios.push(width / height);
    }
    const { cells, heightPx } = sideBySide(ratios, wide);
    expect(Math.abs(high - heightPx)).toBeLessThanOrEqual(2);
    for (const [at, cell] of cells.entries()) {
      const area = { left: cell.left, top: cell.top, width: cell.width, height: Math.min(cell.height, high - cell.top) };
      const shown = await sharp(sheet).extract(area).removeAlpha().raw().toBuffer();
      const alone = await sharp(zip[files[at]?.name ?? ''])
        .resize(area.width, area.height, { fit: 'fill' })
        .removeAlpha()
        .raw()
        .toBuffer();
      const off = shown.reduce((sum, value, n) => sum + Math.abs(value - (alone[n] ?? 0)), 0) / shown.length;
      expect(off, `goods ${at}`).toBeLessThan(6);
    }
  });
});
