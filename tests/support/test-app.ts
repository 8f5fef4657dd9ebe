import { execFile } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync } from 'node:fs';
import { inject } from 'vitest';
import { startApp } from '../../scripts/setup/app.mjs';
import { ensureDatabase, hasDatabase } from '../../scripts/setup/cluster.mjs';
import { freePort } from '../../scripts/setup/free-port.mjs';
import { startWorker } from '../../scripts/setup/worker.mjs';

/** Runs the command for people on a database. */
export function people(databaseUrl: string, ...args: readonly string[]) {
  const env = { ...process.env, NODE_ENV: 'production', DATABASE_URL: databaseUrl };
  // Beside the test: connections that it keeps open would be closed unseen while it waited.
  return new Promise<{ readonly status: number; readonly stdout: string; readonly stderr: string; readonly password: string }>((resolve) =>
    execFile(process.execPath, ['build/heavy/people.js', ...args], { env }, (error, stdout, stderr) =>
      resolve({ status: error ? Number(error.code) : 0, stdout, stderr, password: /days: (\S+)/.exec(stdout)?.[1] ?? '' }),
    ),
  );
}
/** A studio’s first owner, as the tests’ sign-in knows them. */
export const OWNER = { name: 'Ada Quill', email: 'ada@studio.example' } as const;

/** A database that holds the demo, made once for all tests on a cluster: they begin on copies of it. */
async function demoDatabase(cluster: { readonly url: string; readonly port: number }): Promise<string> {
  const [name, made] = ['demo', 'demo_made'];
  if (hasDatabase(cluster, made)) return name;
  const app = await startApp({
    port: await freePort(),
    databaseUrl: ensureDatabase(cluster, name),
    demo: true,
    quiet: true,
    fileFolder: mkdtempSync('/tmp/lucky-files-'),
  });
  await app.stop();
  // Says that the first is whole: a run that was broken off in it makes it again.
  ensureDatabase(cluster, made);
  return name;
}

/** The built app on a database of its own. @param options.signIn people have to sign in; an owner is there
 * @param options.env more for its environment, where people sign in */
export async function startTestApp(
  options: { readonly demo?: boolean; readonly signIn?: boolean; readonly env?: Readonly<Record<string, string>> } = {},
) {
  const cluster = inject('cluster');
  const demo = options.demo ?? true;
  const databaseUrl = ensureDatabase(cluster, `test_${randomUUID().slice(0, 8)}`, demo ? await demoDatabase(cluster) : undefined);
  const start = (withDemo: boolean, port: number, folder = fileFolder) =>
    startApp({ port, databaseUrl, demo: withDemo, quiet: true, fileFolder: folder, ...(options.signIn ? { env, origin } : {}) });
  const fileFolder = mkdtempSync('/tmp/lucky-files-');
  const port = await freePort();
  const env = { SIGN_IN: '1', SIGN_IN_SECRET: randomUUID(), ...options.env };
  // Pages are shown under one address, whichever process answers.
  const origin = `http://127.0.0.1:${port}`;
  const owner = options.signIn
    ? await people(databaseUrl, 'add', '--name', OWNER.name, '--email', OWNER.email, '--role', 'owner')
    : undefined;
  const app = await start(demo, port);
  return {
    ...app,
    databaseUrl,
    fileFolder,
    /** The password that lets the first owner in once. */
    ownerPassword: owner?.password ?? '',
    /** A second web process on the same database; with a disk of its own it is as if it ran on another machine. */
    another: async ({ ownDisk = false } = {}) => start(false, await freePort(), ownDisk ? mkdtempSync('/tmp/lucky-files-') : fileFolder),
    /** A process that makes the files of packs; each with a disk of its own. */
    worker: () => startWorker({ databaseUrl, fileFolder: mkdtempSync('/tmp/lucky-worker-') }),
    /** The same address again, once it was killed. */
    revived: () => start(false, port),
  };
}
