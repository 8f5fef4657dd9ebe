import { fileURLToPath } from 'node:url';
import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));
const alias = { $core: here('./src/core'), $lib: here('./src/lib'), $workers: here('./src/workers') };

const project = (
  name: string,
  more: { readonly globalSetup?: string; readonly fileParallelism?: boolean; readonly testTimeout?: number } = {},
) => ({
  resolve: { alias },
  test: {
    environment: 'node' as const,
    testTimeout: 60_000,
    hookTimeout: 120_000,
    expect: { poll: { timeout: 30_000 } },
    name,
    include: [`tests/${name}/**/*.test.ts`],
    ...more,
  },
});
const onCluster = { globalSetup: 'tests/support/global-setup.ts', fileParallelism: false, testTimeout: 120_000 };

export default defineConfig({
  test: {
    projects: [
      project('core'),
      { ...project('client'), plugins: [svelte({ configFile: false })] },
      project('reference', { testTimeout: 180_000 }),
      project('server', onCluster),
      project('browser', onCluster),
    ],
  },
});
