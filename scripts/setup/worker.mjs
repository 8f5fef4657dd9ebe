import { spawn } from 'node:child_process';
import { createInterface } from 'node:readline';
import { PROJECT } from './project.mjs';

/**
 * Starts a worker process that makes the files of packs, and waits until it is ready.
 * @param {{ databaseUrl: string, fileFolder?: string, env?: Record<string, string> }} options
 */
export async function startWorker({ databaseUrl, fileFolder, env = {} }) {
  const child = spawn(process.execPath, [`${PROJECT}/build/heavy/packs.js`], {
    cwd: PROJECT,
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: databaseUrl,
      LOAD_DEMO_BRANDS: '0',
      FILE_FOLDER: fileFolder ?? `${PROJECT}/.data/files`,
      // Threads that each keep freed memory to themselves would hold on to gigabytes of pixels.
      MALLOC_ARENA_MAX: '2',
      MALLOC_TRIM_THRESHOLD_: '1048576',
      MALLOC_MMAP_THRESHOLD_: '1048576',
      ...env,
    },
    detached: true,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let ended = false;
  const end = new Promise((resolve) => child.on('close', (code) => ((ended = true), resolve(code))));
  await new Promise((resolve, reject) => {
    createInterface({ input: child.stdout }).on('line', (line) => (line.includes('ready') ? resolve(undefined) : undefined));
    void end.then((code) => reject(new Error(`The worker ended with code ${code} while it was starting.`)));
  });
  const stopWith = async (/** @type {NodeJS.Signals} */ signal) => {
    if (!ended) child.kill(signal);
    await end;
  };
  return { pid: child.pid, end, stop: () => stopWith('SIGTERM'), kill: () => stopWith('SIGKILL') };
}
