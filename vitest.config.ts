import { fileURLToPath } from 'node:url';
import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));
const alias = { $core: here('./src/core'), $lib: here('./src/lib'), $workers: here('./src/workers') };

const project = (
  name: string,
  more: { readonly globalSetup?: string; readonly fileParallelism?: boolean; readonly isolate?: boolean } = {},
) => ({
  resolve: { alias },
  test: {
    environment: 'node' as const,
    // Far above what is needed: a busy machine is no failure, and a test that hangs ends all the same.
    testTimeout: 300_000,
    hookTimeout: 300_000,
    expect: { poll: { timeout: 60_000 } },
    name,
    include: [`tests/${name}/**/*.test.ts`],
    ...more,
  },
});
/** Pure modules: files may share what one has read already, which halves the time of a run. */
const together = { isolate: false };
const onCluster = { globalSetup: 'tests/support/global-setup.ts', fileParallelism: false };

export default defineConfig({
  test: {
    projects: [
      project('core', together),
      { ...project('client'), plugins: [svelte({ configFile: false })] },
      project('reference', together),
      project('server', { ...onCluster, ...together }),
      project('browser', { ...onCluster, ...together }),
    ],
  },
});
