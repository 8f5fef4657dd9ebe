import { randomUUID } from 'node:crypto';
import { MikroORM } from '@mikro-orm/postgresql';
import { Migrator } from '@mikro-orm/migrations';
import { describe, expect, inject, it } from 'vitest';
import { startApp } from '../../scripts/setup/app.mjs';
import { ensureDatabase } from '../../scripts/setup/cluster.mjs';
import { freePort } from '../../scripts/setup/free-port.mjs';
import { MIGRATIONS } from '../../src/lib/server/database/migrations';
import { palette, read, send } from '../support/api';
import { people } from '../support/test-app';

const STORED = {
  version: 1,
  parts: [{ kind: 'lettering', id: 'name', text: 'Heron', font: { family: 'jost', style: 'normal', axes: {} } }],
};

/** A database as an earlier version left it: one brand, its mark with two revisions, all written while the first step was the last one. */
async function leftBy(version: number): Promise<string> {
  const databaseUrl = ensureDatabase(inject('cluster'), `old_${randomUUID().slice(0, 8)}`);
  const orm = await MikroORM.init({
    ...{ clientUrl: databaseUrl, entities: [], extensions: [Migrator], metadataCache: { enabled: false } },
    discovery: { warnWhenNoEntities: false },
    migrations: { tableName: 'migration', snapshot: false, silent: true, migrationsList: [...MIGRATIONS] },
  });
  try {
    const { em } = orm;
    await orm.getMigrator().up({ to: MIGRATIONS[0]?.name ?? '' });
    const [brand, mark] = [randomUUID(), randomUUID()];
    const run = (sql: string, ...values: unknown[]) => em.getConnection().execute(sql, values);
    await run(`insert into brand values (?, 'old-heron', 'Old Heron', 'A pottery.', 1, now())`, brand);
    await run('insert into palette values (?, ?, 1, ?, now())', randomUUID(), brand, JSON.stringify(palette));
    await run(`insert into mark values (?, ?, 'primary', 'Primary', 'primary', 0, 2, now())`, mark, brand);
    const revision = `insert into revision values (?, ?, ?, 'edit', 'Text', ?, now())`;
    await run(revision, randomUUID(), mark, 1, JSON.stringify({ ...STORED, parts: [{ ...STORED.parts[0], text: 'Hern' }] }));
    await run(revision, randomUUID(), mark, 2, JSON.stringify(STORED));
    if (version > 1) await orm.getMigrator().up({ to: MIGRATIONS[version - 1]?.name ?? '' });
  } finally {
    await orm.close(true);
  }
  return databaseUrl;
}

describe('a database that an earlier version left', () => {
  // The first, the one before people and studios, and the last but one.
  it.each([1, 10, MIGRATIONS.length - 1])('at step %i opens with all that was in it, and is worked on', async (version) => {
    const databaseUrl = await leftBy(version);
    const app = await startApp({
      port: await freePort(),
      databaseUrl,
      quiet: true,
      fileFolder: `/tmp/lucky-old-${randomUUID().slice(0, 8)}`,
    });
    try {
      const home = `${app.url}/api/brands/old-heron`;
      const marks = await read<{ slug: string; recipe: { parts: { text: string }[] } }[]>(`${home}/marks`);
      expect(marks.map(({ slug, recipe }) => [slug, recipe.parts[0]?.text])).toEqual([['primary', 'Heron']]);
      const chain = await read<{ past: { content?: unknown; recipe?: { parts: { text: string }[] } }[] }>(
        `${home}/marks/primary/revisions`,
      );
      expect(JSON.stringify(chain.past)).toContain('Hern');
      const saved = await send(`${home}/marks/primary/revisions`, 'POST', {
        base: 2,
        gestures: [
          {
            id: randomUUID(),
            kind: 'edit',
            gesture: 'Text',
            recipe: { ...marks[0]?.recipe, parts: [{ ...marks[0]?.recipe.parts[0], text: 'Herons' }] },
          },
        ],
      });
      expect(saved.status).toBe(201);
      expect((await fetch(`${home}/marks/primary/picture.svg`)).status).toBe(200);
      // What was there before there were studios belongs to the first one: whoever owns that sees it.
      const owner = await people(databaseUrl, 'add', '--name', 'Ada Quill', '--email', 'ada@studio.example', '--role', 'owner');
      expect(owner.status).toBe(0);
      expect((await people(databaseUrl, 'list')).stdout).toContain('Ada Quill');
    } finally {
      await app.stop();
    }
  });
});
