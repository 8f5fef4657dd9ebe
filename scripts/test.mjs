/** `npm test`: every check there is, from a bare machine. The last line says how many passed and failed. */
import { mkdtempSync, openSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild } from './setup/build.mjs';
import { DEBIAN, ensureDebianPackages, ensureNpmPackages } from './setup/packages.mjs';
import { run } from './setup/run.mjs';
import { say } from './setup/say.mjs';

await ensureNpmPackages();
await ensureDebianPackages(Object.keys(DEBIAN));

let passed = 0;
let failed = 0;
const failures = [];
const count = (label, good) => {
  if (good) passed++;
  else {
    failed++;
    failures.push(label);
  }
};

/** Two lanes, one a core: each runs its checks one after the other. */
const gates = [
  [
    ['Format', ['prettier', '--check', '--log-level', 'warn', '.']],
    ['Lint', ['eslint', '--max-warnings', '0', '.']],
  ],
  [
    ['Layers', ['depcruise', '--config', '.dependency-cruiser.cjs', '--output-type', 'err', 'src']],
    ['Types', ['svelte-check', '--tsconfig', './tsconfig.json', '--fail-on-warnings', '--output', 'human']],
  ],
];
await run('npx', ['svelte-kit', 'sync']);
await Promise.all(
  gates.map(async (lane) => {
    for (const [label, args] of lane) {
      const good = (await run('npx', args)) === 0;
      count(label, good);
      say(`── ${label}: ${good ? 'good' : 'not good'}`);
    }
  }),
);

say('\n── Build');
await ensureBuild();

/**
 * Two runs of the runner at once, one a core, of about the same length. The first is shown as it goes, the other when it has ended, so that their lines do not mix.
 */
say('\n── Tests');
const folder = mkdtempSync(join(tmpdir(), 'lucky-test-'));
const halves = [
  { name: 'interface', projects: ['browser'] },
  { name: 'all others', projects: ['core', 'client', 'reference', 'server'] },
].map((half) => ({ ...half, report: join(folder, `${half.name}.json`), lines: join(folder, `${half.name}.txt`) }));
const codes = await Promise.all(
  halves.map(({ projects, report, lines }, place) =>
    run(
      'npx',
      [
        ...['vitest', 'run', ...projects.flatMap((project) => ['--project', project])],
        ...['--reporter=default', '--reporter=json', `--outputFile.json=${report}`],
      ],
      place === 0 ? {} : { stdio: ['ignore', openSync(lines, 'w'), openSync(lines, 'a')] },
    ),
  ),
);
halves.forEach(({ name, report, lines }, place) => {
  if (place > 0) say(readFileSync(lines, 'utf8'));
  try {
    const { numPassedTests, numFailedTests, testResults } = JSON.parse(readFileSync(report, 'utf8'));
    passed += numPassedTests;
    failed += numFailedTests;
    for (const file of testResults) {
      const broken = file.assertionResults.filter((test) => test.status === 'failed');
      for (const test of broken) failures.push(`${test.fullName}\n  ${test.failureMessages.join('\n  ').slice(0, 1500)}`);
      if (file.status === 'failed' && broken.length === 0) count(`${file.name} could not run`, false);
    }
    if (codes[place] !== 0 && failed === 0) count(`The runner of the tests (${name}) ended with an error`, false);
  } catch {
    count(`The runner of the tests (${name}) wrote no report`, false);
  }
});
rmSync(folder, { recursive: true });

for (const failure of failures) say(`failed: ${failure}`);
say(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
