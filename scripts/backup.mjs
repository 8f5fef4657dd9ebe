/** `npm run backup`: everything, pictures and fonts among it, in one file (PostgreSQL's own archive). Where to: the first word, or .data/backups. */
import { spawnSync } from 'node:child_process';
import { mkdirSync, renameSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { dataFolder, ensureDatabase, startCluster } from './setup/cluster.mjs';
import { ensureDebianPackages, postgresPrograms } from './setup/packages.mjs';
import { PROJECT } from './setup/project.mjs';
import { say, stop } from './setup/say.mjs';

await ensureDebianPackages(['postgresql']);
const stamp = new Date().toISOString().replace(/[:.]/g, '-').slice(0, 19);
const target = resolve(process.argv[2] ?? join(PROJECT, '.data', 'backups', `lucky-thistle-${stamp}.backup`));
mkdirSync(dirname(target), { recursive: true });
const cluster = process.env.DATABASE_URL ? undefined : await startCluster(dataFolder(process.env.DATA_NAME ?? 'demo'));
const url = process.env.DATABASE_URL ?? ensureDatabase(/** @type {any} */ (cluster), 'lucky_thistle');
// Written under another name first: a file of this name is whole.
const part = `${target}.${process.pid}.part`;
const made = spawnSync(join(postgresPrograms() ?? '', 'pg_dump'), ['--format=custom', '--no-owner', `--file=${part}`, url], {
  encoding: 'utf8',
});
cluster?.stop();
if (made.status !== 0) stop(`The backup could not be written: ${made.stderr}`);
renameSync(part, target);
say(`Everything is in ${target} (${(statSync(target).size / 1e6).toFixed(1)} MB). Bring it back with: npm run restore -- ${target}`);
