import { spawnSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import { chownSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort } from './free-port.mjs';
import { postgresPrograms } from './packages.mjs';
import { PROJECT } from './project.mjs';
import { stop } from './say.mjs';

const programs = () => postgresPrograms() ?? stop('PostgreSQL is not installed; on Debian: apt-get install postgresql.');
const isRoot = process.getuid?.() === 0;

/**
 * PostgreSQL refuses to run as root; then everything about it runs as Debian's own user for it.
 * @param {string} command
 * @param {readonly string[]} args
 * @returns {[string, string[]]}
 */
const as = (command, args) => (isRoot ? ['runuser', ['-u', 'postgres', '--', command, ...args]] : [command, [...args]]);

/**
 * @param {string} program
 * @param {readonly string[]} args
 */
function postgres(program, args) {
  const [command, all] = as(join(programs(), program), args);
  const result = spawnSync(command, all, { cwd: '/', encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] });
  if (result.status !== 0) throw new Error(`${program} ended with ${result.status}: ${result.stderr || result.stdout}`);
  return result.stdout;
}

/** @param {string} folder */
const reachable = (folder) => !isRoot || spawnSync('runuser', ['-u', 'postgres', '--', 'test', '-w', folder], { cwd: '/' }).status === 0;

/** @param {string} folder */
function ownedFolder(folder) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  if (isRoot) {
    const [uid = 0, gid = 0] = ['-u', '-g'].map((flag) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout));
    chownSync(folder, uid, gid);
  }
  return folder;
}

/**
 * The project's data folder; where the database's user cannot get through to it, a folder of its own among the temporary files that last.
 * @param {string} name
 */
export function dataFolder(name) {
  const inside = join(PROJECT, '.data');
  mkdirSync(inside, { recursive: true });
  const own = ownedFolder(join(inside, name));
  if (reachable(own)) return own;
  const key = createHash('sha256').update(PROJECT).digest('hex').slice(0, 12);
  const base = existsSync('/var/tmp') ? '/var/tmp' : tmpdir();
  const outside = ownedFolder(join(base, `lucky-thistle-${key}-${name}`));
  if (!reachable(outside)) stop(`The database needs a folder that the user “postgres” can write to; neither ${own} nor ${outside} is one.`);
  return outside;
}

/**
 * The port of the server that runs on a data folder, or `undefined`.
 * @param {string} data
 */
function runningPort(data) {
  const pidFile = join(data, 'postmaster.pid');
  if (!existsSync(pidFile)) return undefined;
  const [pid, , , port] = readFileSync(pidFile, 'utf8').split('\n');
  try {
    process.kill(Number(pid), 0);
    return Number(port);
  } catch (error) {
    return /** @type {NodeJS.ErrnoException} */ (error).code === 'EPERM' ? Number(port) : undefined;
  }
}

/**
 * Starts the project's own PostgreSQL cluster, made on first use, on loopback only.
 * @param {string} folder from `dataFolder`
 * @returns its address without a database's name, and how to stop it, kill it and throw it away
 */
export async function startCluster(folder) {
  const data = join(folder, 'cluster');
  const passwordFile = join(folder, 'password');
  if (!existsSync(join(data, 'PG_VERSION'))) {
    writeFileSync(passwordFile, randomBytes(18).toString('hex'), { mode: 0o600 });
    if (isRoot) spawnSync('chown', ['postgres', passwordFile]);
    rmSync(data, { recursive: true, force: true });
    postgres('initdb', ['-D', data, '-U', 'thistle', '--auth=scram-sha-256', `--pwfile=${passwordFile}`, '-E', 'UTF8', '--locale=C.UTF-8']);
  }
  const running = runningPort(data);
  const port = running ?? (await freePort());
  if (running === undefined) {
    const options = `-p ${port} -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c shared_buffers=64MB`;
    postgres('pg_ctl', ['-D', data, '-l', join(folder, 'postgres.log'), '-w', '-t', '60', '-o', options, 'start']);
  }
  const url = `postgresql://thistle:${readFileSync(passwordFile, 'utf8')}@127.0.0.1:${port}`;
  const stopIt = (/** @type {'fast' | 'immediate'} */ mode) => {
    if (runningPort(data) !== undefined) postgres('pg_ctl', ['-D', data, '-m', mode, '-w', 'stop']);
  };
  return {
    url,
    port,
    /** Stops the server, unless it was running before and somebody else relies on it. */
    stop: () => (running === undefined ? stopIt('fast') : undefined),
    /** Kills the server and its children at once, as a power cut would end them. */
    kill: () => {
      const pid = Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[0]);
      const children = spawnSync('pgrep', ['-P', String(pid)], { encoding: 'utf8' })
        .stdout.split('\n')
        .filter(Boolean)
        .map(Number);
      for (const target of [pid, ...children]) {
        try {
          process.kill(target, 'SIGKILL');
        } catch {
          // It ended by itself.
        }
      }
    },
    /** Starts the same cluster again on the same port after a kill. */
    restart: () => {
      for (let attempt = 0; ; attempt++) {
        try {
          postgres('pg_ctl', [
            '-D',
            data,
            '-l',
            join(folder, 'postgres.log'),
            '-w',
            '-t',
            '60',
            '-o',
            `-p ${port} -c listen_addresses=127.0.0.1 -c unix_socket_directories=''`,
            'start',
          ]);
          return;
        } catch (error) {
          if (attempt >= 20) throw error;
          spawnSync('sleep', ['0.5']);
        }
      }
    },
    remove: () => {
      stopIt('immediate');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/**
 * Makes a database in a cluster unless it is there, and returns its address.
 * @param {{ readonly url: string, readonly port: number }} cluster
 * @param {string} name
 */
export function ensureDatabase(cluster, name) {
  const env = { ...process.env, PGPASSWORD: new URL(cluster.url).password };
  const psql = (/** @type {string} */ sql) =>
    spawnSync(join(programs(), 'psql'), ['-h', '127.0.0.1', '-p', String(cluster.port), '-U', 'thistle', '-d', 'postgres', '-Atc', sql], {
      encoding: 'utf8',
      env,
    });
  if (psql(`select 1 from pg_database where datname = '${name}'`).stdout.trim() !== '1') {
    const made = psql(`create database "${name}"`);
    if (made.status !== 0) throw new Error(`The database ${name} could not be made: ${made.stderr}`);
  }
  return `${cluster.url}/${name}`;
}
