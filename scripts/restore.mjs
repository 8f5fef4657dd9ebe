/** `npm run restore -- <file>`: brings back what `npm run backup` wrote, into an empty database; a database that holds brands is left alone. */
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { dataFolder, ensureDatabase, startCluster } from './setup/cluster.mjs';
import { ensureDebianPackages, postgresPrograms } from './setup/packages.mjs';
import { say, stop } from './setup/say.mjs';

const from = resolve(process.argv[2] ?? '');
if (!process.argv[2] || !existsSync(from)) stop('Which file? npm run restore -- <file written by npm run backup>');
await ensureDebianPackages(['postgresql']);
const cluster = process.env.DATABASE_URL ? undefined : await startCluster(dataFolder(process.env.DATA_NAME ?? 'demo'));
const url = process.env.DATABASE_URL ?? ensureDatabase(/** @type {any} */ (cluster), 'lucky_thistle');
const program = (/** @type {string} */ name, /** @type {string[]} */ args) =>
  spawnSync(join(postgresPrograms() ?? '', name), args, { encoding: 'utf8' });
const end = (/** @type {string} */ why) => {
  cluster?.stop();
  stop(why);
};
const listed = program('pg_restore', ['--list', from]);
if (listed.status !== 0) end(`${from} is no whole backup: ${listed.stderr.trim()}`);
const there = program('psql', [url, '-Atc', `select count(*) from information_schema.tables where table_schema = 'public'`]);
if (there.stdout.trim() !== '0')
  end('This database holds a studio already; nothing was changed. Give an empty one (another DATA_NAME, or DATABASE_URL).');
const done = program('pg_restore', ['--no-owner', '--single-transaction', '--exit-on-error', `--dbname=${url}`, from]);
if (done.status !== 0) end(`The backup could not be brought back, and nothing was changed: ${done.stderr.trim()}`);
cluster?.stop();
say('Everything is back. Start it with npm run demo.');
