import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));

/** Builds the door of the server's worker threads, which the app's own build does not reach. */
export default defineConfig({
  resolve: { alias: { $core: here('./src/core'), $lib: here('./src/lib') } },
  publicDir: false,
  build: {
    ssr: here('./src/lib/server/heavy/worker.ts'),
    outDir: 'build/heavy',
    target: 'node20',
    rolldownOptions: { output: { entryFileNames: 'worker.js' } },
  },
});
