import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));

/** Builds the doors that the app's own build does not reach: the server's worker threads, the process that makes packs of files, and the command for people. */
export default defineConfig({
  resolve: { alias: { $core: here('./src/core'), $lib: here('./src/lib') } },
  publicDir: false,
  build: {
    ssr: true,
    outDir: 'build/heavy',
    target: 'node20',
    rolldownOptions: {
      input: {
        worker: here('./src/lib/server/heavy/worker.ts'),
        pixels: here('./src/lib/server/pixels/thread.ts'),
        packs: here('./src/lib/server/jobs/process.ts'),
        people: here('./src/lib/server/sign-in/command.ts'),
      },
      output: { entryFileNames: '[name].js' },
    },
  },
});
