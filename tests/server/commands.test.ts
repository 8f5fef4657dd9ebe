import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { cpSync, existsSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { dataFolder } from '../../scripts/setup/cluster.mjs';
import { freePort } from '../../scripts/setup/free-port.mjs';

/** Runs a demo until it says that it is ready. */
async function demo(
  port: number,
  dataName: string,
): Promise<{ readonly child: ChildProcess; readonly ended: Promise<number | null>; readonly said: () => string }> {
  const child = spawn(process.execPath, ['scripts/demo.mjs'], { env: { ...process.env, PORT: String(port), DATA_NAME: dataName } });
  let said = '';
  child.stdout.on('data', (text) => (said += String(text)));
  child.stderr.on('data', (text) => (said += String(text)));
  const ended = new Promise<number | null>((resolve) => child.on('close', resolve));
  const ready = new Promise<void>((resolve) => child.stdout.on('data', () => said.includes('is ready') && resolve()));
  await Promise.race([ready, ended]);
  return { child, ended, said: () => said };
}
const brandsAt = async (port: number) => ((await (await fetch(`http://127.0.0.1:${port}/api/brands`)).json()) as unknown[]).length;

describe('npm run demo', () => {
  it('serves the demo brands, stops cleanly on Ctrl-C, finds its data again, and says when its port is taken', async () => {
    const name = `demo-test-${process.pid}`;
    const folder = dataFolder(name);
    const port = await freePort();
    try {
      const first = await demo(port, name);
      expect(first.said()).toContain(`Lucky Thistle is ready: http://127.0.0.1:${port}`);
      expect(await brandsAt(port)).toBe(3);
      await fetch(`http://127.0.0.1:${port}/api/brands`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({
          name: 'Mine',
          palette: { ink: '#000000', paper: '#ffffff', lead: '#111111', second: '#222222', accent: '#333333' },
        }),
      });
      const taken = await demo(port, name);
      expect(await taken.ended).toBe(1);
      expect(taken.said()).toContain(`using port ${port}. Choose another with PORT=`);
      expect(await brandsAt(port)).toBe(4);

      first.child.kill('SIGINT');
      expect(await first.ended).toBe(0);
      expect(existsSync(`${folder}/cluster/postmaster.pid`)).toBe(false);

      const second = await demo(port, name);
      expect(await brandsAt(port)).toBe(4);
      second.child.kill('SIGINT');
      expect(await second.ended).toBe(0);
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  });
});

describe('a machine without the right to install', () => {
  /** A PATH with nothing but what is named, and the sentence that comes out. */
  function sentence(commands: readonly string[], uid?: number): string {
    const bin = mkdtempSync('/tmp/lucky-bin-');
    symlinkSync(execFileSync('sh', ['-c', 'command -v sh'], { encoding: 'utf8' }).trim(), `${bin}/sh`);
    for (const command of commands) writeFileSync(`${bin}/${command}`, '#!/bin/sh\nexit 1\n', { mode: 0o755 });
    // A copy that any user can read: the project may lie in somebody's private folder.
    cpSync('scripts/setup', `${bin}/setup`, { recursive: true });
    execFileSync('chmod', ['-R', 'a+rX', bin]);
    const script = `${bin}/setup/packages.mjs`;
    try {
      execFileSync(
        process.execPath,
        [
          '--input-type=module',
          '-e',
          `const { ensureDebianPackages } = await import('${script}'); await ensureDebianPackages(['pngcheck', 'chromium']);`,
        ],
        {
          env: { PATH: bin },
          encoding: 'utf8',
          stdio: ['ignore', 'pipe', 'pipe'],
          ...(uid === undefined ? {} : { uid, gid: uid }),
        },
      );
    } catch (error) {
      return String((error as { stderr?: string }).stderr);
    }
    return 'nothing was refused';
  }

  it('is told in one sentence what to install by hand', () => {
    expect(sentence([])).toContain(
      'this machine has no apt-get. Install by hand: pngcheck chromium (on Debian: apt-get install pngcheck chromium).',
    );
    expect(sentence(['apt-get'])).toContain('could not be installed. Install by hand: pngcheck chromium');
  });

  it.runIf(process.getuid?.() === 0)('is told that installing needs root', () => {
    expect(sentence(['apt-get'], 65_534)).toContain('installing needs root. Install by hand: pngcheck chromium');
  });
});
