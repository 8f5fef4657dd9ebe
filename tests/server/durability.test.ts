import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { startApp } from '../../scripts/setup/app.mjs';
import { dataFolder, ensureDatabase, startCluster } from '../../scripts/setup/cluster.mjs';
import { freePort } from '../../scripts/setup/free-port.mjs';
import { nameRecipe, palette, read, send } from '../support/api';

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
      const app = await startApp({ port: await freePort(), databaseUrl, demo: true, quiet: true });
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
        Array.from({ length: 3 }, async () => startApp({ port: await freePort(), databaseUrl, demo: true, quiet: true })),
      );
      for (const { url } of apps) expect(await read<unknown[]>(`${url}/api/brands`)).toHaveLength(3);
      await Promise.all(apps.map((app) => app.stop()));
    } finally {
      cluster.remove();
    }
  });
});
