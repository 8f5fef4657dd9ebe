import { randomUUID } from 'node:crypto';
import { mkdtempSync } from 'node:fs';
import { inject } from 'vitest';
import { startApp } from '../../scripts/setup/app.mjs';
import { ensureDatabase } from '../../scripts/setup/cluster.mjs';
import { freePort } from '../../scripts/setup/free-port.mjs';

/** The built app on a database of its own. */
export async function startTestApp(options: { readonly demo?: boolean } = {}) {
  const cluster = inject('cluster');
  const databaseUrl = ensureDatabase(cluster, `test_${randomUUID().slice(0, 8)}`);
  const app = await startApp({
    port: await freePort(),
    databaseUrl,
    demo: options.demo ?? true,
    quiet: true,
    fileFolder: mkdtempSync('/tmp/lucky-files-'),
  });
  return { ...app, databaseUrl };
}
