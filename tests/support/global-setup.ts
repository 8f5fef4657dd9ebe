import { mkdtempSync } from 'node:fs';
import type { TestProject } from 'vitest/node';
import { ensureBuild } from '../../scripts/setup/build.mjs';
import { dataFolder, startCluster } from '../../scripts/setup/cluster.mjs';

declare module 'vitest' {
  export interface ProvidedContext {
    cluster: { readonly url: string; readonly port: number };
  }
}

/** One throwaway cluster for all server or browser tests of a run; every test file makes databases of its own in it. */
export default async function setup(project: TestProject) {
  await ensureBuild();
  const cluster = await startCluster(dataFolder(`test-${project.name}-${process.pid}-${mkdtempSync('/tmp/lucky-').slice(-6)}`));
  project.provide('cluster', { url: cluster.url, port: cluster.port });
  return () => cluster.remove();
}
