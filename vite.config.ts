import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig, type Plugin } from 'vite';

const NOT_ON_PAGES = '\0not-on-pages';
/** Pages never draw, their workers do: rules of languages are left out of pages, and say so should one ask for them. */
const pagesDoNotDraw: Plugin = {
  name: 'pages-do-not-draw',
  // While developing, workers are served as pages are.
  apply: 'build',
  enforce: 'pre',
  resolveId: (id, _importer, options) => (!options.ssr && id.startsWith('hyphen/') ? NOT_ON_PAGES : undefined),
  load: (id) =>
    id === NOT_ON_PAGES ? `export default { hyphenateSync() { throw new Error('Pages do not draw; their workers do.'); } };` : undefined,
};

export default defineConfig({
  // It names Svelte among many others, which is no reason to bundle it.
  ssr: { external: ['better-auth'] },
  plugins: [tailwindcss(), sveltekit(), pagesDoNotDraw],
  worker: { format: 'es' },
  // The shaper finds its WebAssembly beside its own file; bundling it beforehand would lose that place.
  optimizeDeps: { exclude: ['harfbuzzjs'] },
  build: { target: 'es2023', chunkSizeWarningLimit: 1200 },
});
