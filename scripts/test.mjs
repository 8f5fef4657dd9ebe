/** `npm test`: every check there is, from a bare machine. The last line says how many passed and failed. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
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

const gates = [
  ['Format', ['prettier', '--check', '--log-level', 'warn', '.']],
  ['Lint', ['eslint', '--max-warnings', '0', '.']],
  ['Layers', ['depcruise', '--config', '.dependency-cruiser.cjs', '--output-type', 'err', 'src']],
  ['Types', ['svelte-check', '--tsconfig', './tsconfig.json', '--fail-on-warnings', '--output', 'human']],
];
await run('npx', ['svelte-kit', 'sync']);
for (const [label, args] of gates) {
  say(`\n── ${label}`);
  count(label, (await run('npx', args)) === 0);
}

say('\n── Build');
await ensureBuild();

say('\n── Tests');
const folder = mkdtempSync(join(tmpdir(), 'lucky-test-'));
const report = join(folder, 'report.json');
const code = await run('npx', ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${report}`]);
try {
  const { numPassedTests, numFailedTests, testResults } = JSON.parse(readFileSync(report, 'utf8'));
  passed += numPassedTests;
  failed += numFailedTests;
  for (const file of testResults)
    if (file.status === 'failed' && file.assertionResults.every((test) => test.status !== 'failed'))
      count(`${file.name} could not run`, false);
  if (code !== 0 && numFailedTests === 0 && failed === 0) count('The test runner ended with an error', false);
} catch {
  count('The test runner wrote no report', false);
}
rmSync(folder, { recursive: true });

for (const failure of failures) say(`failed: ${failure}`);
say(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
