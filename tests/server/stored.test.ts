import { RECIPE_VERSION } from '$core/index';
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { PNG } from 'pngjs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { nameRecipe, palette, read, recipeOf, send } from '../support/api';
import { startTestApp } from '../support/test-app';

let app: Awaited<ReturnType<typeof startTestApp>>;
let database: pg.Client;
beforeAll(async () => {
  app = await startTestApp({ demo: false });
  database = new pg.Client({ connectionString: app.databaseUrl });
  await database.connect();
});
afterAll(async () => {
  await database.end();
  await app.stop();
});

const brandCalled = async (name: string) =>
  (await send<{ id: string; slug: string }>(`${app.url}/api/brands`, 'POST', { name, palette })).value;
const markOf = async (brand: string, recipe: unknown) => {
  const made = await send<{ id: string; slug: string }>(`${app.url}/api/brands/${brand}/marks`, 'POST', {
    name: 'Mark',
    role: 'primary',
    recipe,
  });
  return { ...made.value, address: `${app.url}/api/brands/${brand}/marks/${made.value.slug}` };
};

describe('what was stored by other versions', () => {
  it('opens: palettes without a version, recipes of version 1, numbers beyond today’s limits', async () => {
    const brand = await brandCalled('Old rows');
    const mark = await markOf(brand.slug, nameRecipe('Windrow'));
    // Rows are append-only: only a database's own administrator can plant an old one.
    await database.query('set session_replication_role = replica');
    await database.query(`update "palette" set "colors" = $1 where "brand_id" = $2`, [JSON.stringify(palette), brand.id]);
    await database.query(
      `update "revision" set "recipe" = jsonb_set(jsonb_set("recipe", '{version}', '1'), '{parts,0,sizePx}', '99999999') where "mark_id" = $1`,
      [mark.id],
    );
    expect((await read<{ palette: object }>(`${app.url}/api/brands/${brand.slug}`)).palette).toEqual(palette);
    const { recipe } = await read<{ recipe: { version: number; parts: { sizePx: number }[] } }>(mark.address);
    expect([recipe.version, recipe.parts[0]?.sizePx]).toEqual([RECIPE_VERSION, 10_000]);
    // What was read so can be saved, as it is.
    const gesture = { id: randomUUID(), kind: 'edit', gesture: 'Again', recipe };
    expect((await send(`${mark.address}/revisions`, 'POST', { base: 1, gestures: [gesture] })).status).toBe(201);
    expect((await fetch(`${mark.address}/picture.svg`)).status).toBe(200);
  });

  it('refuses what a newer program wrote, with a sentence, and changes nothing', async () => {
    const brand = await brandCalled('New rows');
    const mark = await markOf(brand.slug, nameRecipe('Windrow'));
    const recipe = { ...(nameRecipe('Later') as object), version: 99 };
    const gesture = { id: randomUUID(), kind: 'edit', gesture: 'From tomorrow', recipe };
    const refused = await send<{ detail: string }>(`${mark.address}/revisions`, 'POST', { base: 1, gestures: [gesture] });
    expect([refused.status, refused.value.detail]).toEqual([422, expect.stringContaining('was saved as version 99 of its form')]);
    expect((await read<{ revision: number }>(mark.address)).revision).toBe(1);
  });
});

describe('a palette of named swatches', () => {
  const swatch = { key: 's-kelp0001', name: 'Kelp', hex: '#335544' };
  it('paints parts and grounds of files; a swatch that is removed shows as ink', async () => {
    const brand = await brandCalled('Kelp house');
    const panel = {
      kind: 'shape',
      id: 'bar',
      form: { form: 'panel', widthPx: 100, heightPx: 50, cornerPx: 0 },
      paint: { role: swatch.key },
    } as const;
    const mark = await markOf(brand.slug, recipeOf(panel as never));
    const save = (base: number, colors: object) => send(`${app.url}/api/brands/${brand.slug}/palette`, 'PUT', { base, colors });
    const pixel = async (query: string) => {
      const png = PNG.sync.read(Buffer.from(await (await fetch(`${mark.address}/picture.png?width=64${query}`)).arrayBuffer()));
      return [...png.data.subarray((png.width * (png.height >> 1) + 32) * 4, (png.width * (png.height >> 1) + 32) * 4 + 3)];
    };
    expect(await pixel('')).toEqual([0x22, 0x30, 0x2a]);
    expect((await save(1, { ...palette, more: [swatch] })).status).toBe(200);
    expect(await pixel('')).toEqual([0x33, 0x55, 0x44]);
    const ground = PNG.sync.read(
      Buffer.from(await (await fetch(`${mark.address}/picture.png?width=64&room=20&ground=${swatch.key}`)).arrayBuffer()),
    );
    expect([...ground.data.subarray(0, 4)]).toEqual([0x33, 0x55, 0x44, 255]);
    expect((await save(2, palette)).status).toBe(200);
    expect(await pixel('')).toEqual([0x22, 0x30, 0x2a]);
    const refused = await fetch(`${mark.address}/picture.png?width=64&ground=${swatch.key}`);
    expect([refused.status, await refused.text()]).toEqual([422, expect.stringContaining('The palette has no color s-kelp0001')]);
  });
});

describe('every saved version', () => {
  it('says who made it and from where, and a refusal names them', async () => {
    const brand = await brandCalled('Signed');
    const mark = await markOf(brand.slug, nameRecipe('Windrow'));
    const saved = await fetch(`${mark.address}/revisions`, {
      method: 'POST',
      headers: {
        'content-type': 'application/json',
        'lucky-name': encodeURIComponent('Inés 🪁\u0000'),
        'user-agent': 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0',
        referer: `${app.url}/brands/${brand.slug}/marks/mark`,
      },
      body: JSON.stringify({ base: 1, gestures: [{ id: randomUUID(), kind: 'edit', gesture: 'Type', recipe: nameRecipe('Windrows') }] }),
    });
    expect(saved.status).toBe(201);
    const { rows } = await database.query<object>('select "made_by", "made_from" from "revision" where "mark_id" = $1 order by "number"', [
      mark.id,
    ]);
    expect(rows).toEqual([
      { made_by: '', made_from: 'a script' },
      { made_by: 'Inés 🪁', made_from: 'Firefox on Linux, the table' },
    ]);
    const gesture = { id: randomUUID(), kind: 'edit', gesture: 'Late', recipe: nameRecipe('Late') };
    const late = await send<{ detail: string; current: { by: string } }>(`${mark.address}/revisions`, 'POST', {
      base: 1,
      gestures: [gesture],
    });
    expect(late.value.detail).toContain('was changed elsewhere by Inés 🪁 (Firefox on Linux, the table) and is at revision 2');
    expect(late.value.current.by).toBe(' by Inés 🪁 (Firefox on Linux, the table)');
  });

  it.each([
    ['%E0%A4%A', ''],
    ['x'.repeat(500), 'x'.repeat(80)],
    ['%00%0A', ''],
  ])('takes no harm from a name like %j', async (name, kept) => {
    const brand = await brandCalled('Odd name');
    const made = await fetch(`${app.url}/api/brands/${brand.slug}/marks`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'lucky-name': name },
      body: JSON.stringify({ name: 'Mark', role: 'primary', recipe: nameRecipe('Windrow') }),
    });
    const { id } = (await made.json()) as { id: string };
    const { rows } = await database.query<{ made_by: string }>('select "made_by" from "revision" where "mark_id" = $1', [id]);
    expect(rows[0]?.made_by).toBe(kept);
  });
});
