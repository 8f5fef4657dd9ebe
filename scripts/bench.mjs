/** `npm run bench`: prints medians, 95th percentiles and their ratio to the budgets. It asserts nothing; machines differ. */
import { mkdtemp, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureDebianPackages, ensureNpmPackages } from './setup/packages.mjs';
import { PROJECT } from './setup/project.mjs';
import { say } from './setup/say.mjs';

await ensureNpmPackages();
await ensureDebianPackages(['postgresql', 'chromium', 'libharfbuzz-bin', 'wamerican']);

/**
 * What is measured, compiled as the app itself is: a loader that compiles file by file gives every function its name each time it is made,
 * which takes longer than much of what is measured.
 * @returns {Promise<string>} the folder
 */
async function built() {
  const { build } = await import('vite');
  const outDir = await mkdtemp(join(PROJECT, 'scripts/.bench-'));
  await build({
    configFile: false,
    logLevel: 'error',
    resolve: { alias: { $core: join(PROJECT, 'src/core') } },
    build: {
      ssr: true,
      target: 'node20',
      outDir,
      minify: false,
      rollupOptions: {
        input: join(PROJECT, 'scripts/bench/sections.mjs'),
        // What starts the app knows its own place in the project.
        external: [/^\.\.\/setup\//],
        output: { entryFileNames: '[name].mjs' },
      },
    },
  });
  return outDir;
}

// Beside what starts the app, so that it and the packages are found.
const folder = await built();
try {
  const { SECTIONS } = await import(pathToFileURL(join(folder, 'sections.mjs')).href);
  const wanted = process.argv.slice(2);
  const unknown = wanted.filter((name) => !(name in SECTIONS));
  if (unknown.length > 0) {
    say(`There is nothing called ${unknown.join(', ')}. There are: ${Object.keys(SECTIONS).join(', ')}.`);
    process.exitCode = 1;
  } else
    for (const [name, measure] of Object.entries(SECTIONS))
      if (wanted.length === 0 || wanted.includes(name)) for (const line of await measure()) say(line);
} finally {
  await rm(folder, { recursive: true, force: true });
}
