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
  const start = async (demo: boolean) => startApp({ port: await freePort(), databaseUrl, demo, quiet: true, fileFolder });
  const fileFolder = mkdtempSync('/tmp/lucky-files-');
  const app = await start(options.demo ?? true);
  /** A second web process on the same database. */
  return { ...app, databaseUrl, another: () => start(false) };
}
