import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import { startApp } from '../../scripts/setup/app.mjs';
import { dataFolder, ensureDatabase, startCluster } from '../../scripts/setup/cluster.mjs';
import { freePort } from '../../scripts/setup/free-port.mjs';
import { nameRecipe, palette, read, send } from '../support/api';
import { casesOf } from '../support/deep';

describe('what was saved', () => {
  it('is there after the server and the database were killed at once', async () => {
    const cluster = await startCluster(dataFolder(`durability-${process.pid}`));
    try {
      const databaseUrl = ensureDatabase(cluster, 'durable');
      let app = await startApp({ port: await freePort(), databaseUrl, quiet: true });
      const brand = (await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Durable', palette })).value.slug;
      await send(`${app.url}/api/brands/${brand}/marks`, 'POST', { name: 'Primary', role: 'primary', recipe: nameRecipe('Before') });
      const saved = await send(`${app.url}/api/brands/${brand}/marks/primary/revisions`, 'POST', {
        base: 1,
        gestures: [{ id: randomUUID(), kind: 'edit', gesture: 'Type', recipe: nameRecipe('Saved just now') }],
      });
      expect(saved.status).toBe(201);
      cluster.kill();
      await app.kill();

      cluster.restart();
      app = await startApp({ port: await freePort(), databaseUrl, quiet: true });
      const mark = await read<{ revision: number; recipe: { parts: { text: string }[] } }>(`${app.url}/api/brands/${brand}/marks/primary`);
      expect([mark.revision, mark.recipe.parts[0]?.text]).toEqual([2, 'Saved just now']);
      await app.stop();
    } finally {
      cluster.remove();
    }
  });

  it('cannot be changed afterwards: the database refuses', async () => {
    const cluster = await startCluster(dataFolder(`append-only-${process.pid}`));
    try {
      const databaseUrl = ensureDatabase(cluster, 'append_only');
      const app = await startApp({ port: await freePort(), databaseUrl, quiet: true });
      const brand = (await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Kept', palette })).value.slug;
      await send(`${app.url}/api/brands/${brand}/marks`, 'POST', { name: 'Primary', role: 'primary', recipe: nameRecipe('Kept') });
      await app.stop();
      const { MikroORM } = await import('@mikro-orm/postgresql');
      const orm = await MikroORM.init({ clientUrl: databaseUrl, entities: [], discovery: { warnWhenNoEntities: false } });
      await expect(orm.em.getConnection().execute(`update "revision" set "gesture" = 'x'`)).rejects.toThrow('append-only');
      await orm.close(true);
    } finally {
      cluster.remove();
    }
  });

  it('is migrated once when several processes start on one empty database', async () => {
    const cluster = await startCluster(dataFolder(`together-${process.pid}`));
    try {
      const databaseUrl = ensureDatabase(cluster, 'together');
      const apps = await Promise.all(
        Array.from({ length: casesOf({ inFull: 4, sample: 2 }) }, async () =>
          startApp({ port: await freePort(), databaseUrl, demo: true, quiet: true }),
        ),
      );
      for (const { url } of apps) expect(await read<unknown[]>(`${url}/api/brands`)).toHaveLength(3);
      await Promise.all(apps.map((app) => app.stop()));
    } finally {
      cluster.remove();
    }
  });

  it('is taken over where an earlier version kept files on a disk alone: into the database, whole ones only, the copies left where they are', async () => {
    const cluster = await startCluster(dataFolder(`adopted-${process.pid}`));
    const fileFolder = mkdtempSync('/tmp/lucky-adopt-');
    try {
      const databaseUrl = ensureDatabase(cluster, 'adopted');
      const start = async () => startApp({ port: await freePort(), databaseUrl, quiet: true, fileFolder });
      let app = await start();
      const { slug } = (await send<{ slug: string }>(`${app.url}/api/brands`, 'POST', { name: 'Adopted', palette })).value;
      const bring = async (gray: number) => {
        const png = PNG.sync.write(Object.assign(new PNG({ width: 24, height: 24 }), { data: Buffer.alloc(24 * 96, gray) }));
        const headers = { 'content-type': 'image/png' };
        const answer = await fetch(`${app.url}/api/brands/${slug}/pictures?name=p.png`, {
          method: 'POST',
          headers,
          body: new Uint8Array(png),
        });
        return ((await answer.json()) as { sha256: string }).sha256;
      };
      const [whole, damaged] = [await bring(80), await bring(160)];
      const pictureOf = async (sha256: string) => fetch(`${app.url}/api/brands/${slug}/pictures/${sha256}`);
      const before = Buffer.from(await (await pictureOf(whole)).arrayBuffer());
      await app.stop();
      // As an earlier version left it: files on the disk, rows that name them, nothing of them in the database.
      const client = new pg.Client({ connectionString: databaseUrl });
      await client.connect();
      await client.query('delete from stored_file');
      for (const [sha256, bytes] of [
        [whole, before],
        [damaged, before.subarray(0, 20)],
      ] as const) {
        mkdirSync(join(fileFolder, sha256.slice(0, 2)), { recursive: true });
        writeFileSync(join(fileFolder, sha256.slice(0, 2), sha256), bytes);
      }
      app = await start();
      const { rows } = await client.query<{ sha256: string }>('select sha256 from stored_file');
      await client.end();
      expect(rows).toEqual([{ sha256: whole }]);
      expect(existsSync(join(fileFolder, whole.slice(0, 2), whole))).toBe(true);
      rmSync(fileFolder, { recursive: true });
      expect(Buffer.compare(Buffer.from(await (await pictureOf(whole)).arrayBuffer()), before)).toBe(0);
      expect((await pictureOf(damaged)).status).toBe(410);
      await app.stop();
    } finally {
      cluster.remove();
    }
  });
});
