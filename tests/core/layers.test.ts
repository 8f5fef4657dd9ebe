import { execFileSync } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';

const violations = [
  ['core-is-pure', 'src/core/probe-one.ts', `import '../lib/client/request';\n`],
  ['core-knows-no-node', 'src/core/probe-two.ts', `import 'node:fs';\n`],
  ['server-stays-on-the-server', 'src/lib/client/probe-three.ts', `import '$lib/server/fonts';\n`],
  ['workers-are-doors', 'src/workers/probe-four.ts', `import '$lib/client/request';\n`],
  ['rooms-stand-apart', 'src/lib/studio/probe-five.ts', `import '../marks/table/keys';\n`],
  ['lib-knows-no-routes', 'src/lib/client/probe-six.ts', `import '../../routes/probe-target';\n`],
  ['no-circles', 'src/core/probe-seven.ts', `import './probe-seven-back';\n`],
] as const;

describe('the layer check', () => {
  const copy = mkdtempSync('/tmp/lucky-layers-');
  let report = '';
  beforeAll(() => {
    for (const path of [
      'src',
      '.svelte-kit/tsconfig.json',
      'tsconfig.json',
      '.dependency-cruiser.cjs',
      '.layers-resolve.cjs',
      'package.json',
    ])
      cpSync(path, `${copy}/${path}`, { recursive: true });
    symlinkSync(`${process.cwd()}/node_modules`, `${copy}/node_modules`);
    for (const [, file, source] of violations) writeFileSync(`${copy}/${file}`, source);
    writeFileSync(`${copy}/src/routes/probe-target.ts`, 'export {};\n');
    writeFileSync(`${copy}/src/core/probe-seven-back.ts`, `import './probe-seven';\n`);
    try {
      // Only the probes and what they import: the whole source is cruised by the command's own gate.
      const probes = violations.map(([, file]) => file);
      execFileSync('npx', ['depcruise', '--config', '.dependency-cruiser.cjs', '--max-depth', '2', '--output-type', 'err', ...probes], {
        cwd: copy,
        encoding: 'utf8',
        stdio: ['ignore', 'pipe', 'pipe'],
      });
    } catch (error) {
      report = String((error as { stdout?: string }).stdout);
    }
  });
  afterAll(() => rmSync(copy, { recursive: true }));

  it.each(violations)('sees a violation of %s', (rule, file) => {
    expect(report).toContain(`${rule}: ${file.slice(0, -'.ts'.length)}`);
  });
});
