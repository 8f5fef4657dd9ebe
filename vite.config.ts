import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';

export default defineConfig({
  // It names Svelte among many others, which is no reason to bundle it.
  ssr: { external: ['better-auth'] },
  plugins: [tailwindcss(), sveltekit()],
  worker: { format: 'es' },
  // The shaper finds its WebAssembly beside its own file; bundling it beforehand would lose that place.
  optimizeDeps: { exclude: ['harfbuzzjs'] },
  build: { target: 'es2023', chunkSizeWarningLimit: 1200 },
});
