import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PROJECT } from './project.mjs';
import { run } from './run.mjs';
import { say, stop } from './say.mjs';

const INPUTS = [
  'src',
  'static',
  'package-lock.json',
  'svelte.config.js',
  'vite.config.ts',
  'vite.heavy.config.ts',
  'package.json',
  'tsconfig.json',
];
const STAMP = join(PROJECT, 'build', '.built-from');

function digest() {
  const hash = createHash('sha256');
  const add = (/** @type {string} */ path) => {
    if (statSync(path).isDirectory()) for (const name of readdirSync(path).sort()) add(join(path, name));
    else hash.update(path).update(readFileSync(path));
  };
  for (const input of INPUTS) add(join(PROJECT, input));
  return hash.digest('hex');
}

/** Builds the app unless the build on disk was made from exactly these files. */
export async function ensureBuild() {
  const now = digest();
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === now) return;
  say('Building …');
  if (
    (await run('npm', ['run', '--silent', 'build'], {
      stdio: ['ignore', 'ignore', 'inherit'],
      // The same build whoever asks for it: a test runner sets another environment.
      env: { ...process.env, NODE_ENV: 'production' },
    })) !== 0
  )
    stop('The app could not be built; what went wrong stands above.');
  writeFileSync(STAMP, now);
}
