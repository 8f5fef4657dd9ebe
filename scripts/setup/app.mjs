import { spawn } from 'node:child_process';
import { PROJECT } from './project.mjs';

/**
 * Starts the built app, on loopback unless told otherwise, and waits until it and its database answer.
 * @param {{ port: number, databaseUrl: string, host?: string, origin?: string | undefined, demo?: boolean, quiet?: boolean, fileFolder?: string, env?: Record<string, string> }} options
 */
export async function startApp({ port, databaseUrl, fileFolder, origin, host = '127.0.0.1', demo = false, quiet = false, env: more = {} }) {
  const isAny = host === '0.0.0.0' || host === '::';
  const url = `http://${isAny ? '127.0.0.1' : host.includes(':') ? `[${host}]` : host}:${port}`;
  const env = {
    ...process.env,
    NODE_ENV: 'production',
    HOST: host,
    PORT: String(port),
    ORIGIN: origin ?? url,
    DATABASE_URL: databaseUrl,
    LOAD_DEMO_BRANDS: demo ? '1' : '0',
    FILE_FOLDER: fileFolder ?? `${PROJECT}/.data/files`,
    // Every route states and keeps a limit of its own.
    BODY_SIZE_LIMIT: 'Infinity',
    SHUTDOWN_TIMEOUT: '2',
    // Threads that each keep freed memory to themselves would hold on to gigabytes of pixels.
    MALLOC_ARENA_MAX: '2',
    MALLOC_TRIM_THRESHOLD_: '1048576',
    MALLOC_MMAP_THRESHOLD_: '1048576',
    ...more,
  };
  // A process group of its own: Ctrl-C reaches the command first, which then stops the app and the database in order.
  const child = spawn(process.execPath, [`${PROJECT}/scripts/serve.mjs`], {
    cwd: PROJECT,
    env,
    detached: true,
    stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'inherit'],
  });
  let ended = false;
  const end = new Promise((resolve) => child.on('close', (code) => ((ended = true), resolve(code))));
  for (let attempt = 0; ; attempt++) {
    if (ended) throw new Error('The app ended while it was starting.');
    const ready = await fetch(`${url}/api/health`, { signal: AbortSignal.timeout(10_000) }).then(
      (response) => response.ok,
      () => false,
    );
    if (ready) break;
    if (attempt > 200) {
      child.kill('SIGKILL');
      throw new Error('The app did not answer within 60 s.');
    }
    await new Promise((resolve) => setTimeout(resolve, 150));
  }
  const stopWith = async (/** @type {NodeJS.Signals} */ signal) => {
    if (!ended) child.kill(signal);
    await end;
  };
  return { url, pid: child.pid, end, stop: () => stopWith('SIGTERM'), kill: () => stopWith('SIGKILL') };
}
