import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { dataFolder, ensureDatabase, startCluster } from '../../scripts/setup/cluster.mjs';
import { casesOf } from '../support/deep';
import { random } from '../support/random';

/** A first start in a process of its own, which can be killed. */
const begin = (name: string) =>
  spawn(
    process.execPath,
    [
      '-e',
      `import('./scripts/setup/cluster.mjs').then(async (m) => { await m.startCluster(m.dataFolder(${JSON.stringify(name)})); console.log('ready'); setTimeout(() => {}, 60000); })`,
    ],
    { stdio: ['ignore', 'pipe', 'ignore'], detached: true },
  );
const killTree = (pid: number) => {
  try {
    process.kill(-pid, 'SIGKILL');
  } catch {
    // It ended by itself.
  }
};

describe('a first start', () => {
  it('that is killed at any moment leaves nothing that keeps the next one from working', async () => {
    const next = random(2026);
    // Making a cluster takes about two seconds here; a busy machine is killed earlier in its work, an idle one later.
    for (let kill = 0; kill < casesOf({ inFull: 20, sample: 2 }); kill++) {
      const name = `test-first-${process.pid}-${kill}`;
      const child = begin(name);
      const after = 60 + next() * 2600;
      await new Promise((resolve) => setTimeout(resolve, after));
      killTree(child.pid ?? 0);
      const cluster = await startCluster(dataFolder(name));
      expect(ensureDatabase(cluster, 'works'), `killed after ${after} ms`).toContain('/works');
      cluster.remove();
    }
  });

  it('is not fooled by a pid file that names the process of somebody else', async () => {
    const folder = dataFolder(`test-pid-${process.pid}`);
    const cluster = await startCluster(folder);
    ensureDatabase(cluster, 'works');
    cluster.stop();
    const file = join(folder, 'cluster', 'postmaster.pid');
    const stranger = spawn('sleep', ['60'], { uid: Number(spawnSync('id', ['-u', 'postgres'], { encoding: 'utf8' }).stdout) || undefined });
    writeFileSync(file, `${stranger.pid}\n${join(folder, 'cluster')}\n0\n1\n\n127.0.0.1\n0\nready   \n`);
    const again = await startCluster(folder);
    expect(ensureDatabase(again, 'works')).toContain('/works');
    expect(readFileSync(file, 'utf8').startsWith(`${stranger.pid}\n`)).toBe(false);
    stranger.kill();
    again.remove();
    expect(existsSync(join(folder, 'cluster'))).toBe(false);
  });
});
