import { svelte } from '@sveltejs/vite-plugin-svelte';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));

/** Builds the cases of src/cases into one file, which a Go test runs in a browser. SvelteKit's page and its address are
 * stood in for. */
export default defineConfig({
  plugins: [svelte()],
  publicDir: false,
  resolve: {
    alias: {
      $lib: at('src/lib'),
      '$app/state': at('src/cases/page.ts'),
      '$app/navigation': at('src/cases/page.ts')
    }
  },
  build: {
    outDir: '.cases',
    minify: false,
    lib: { entry: at('src/cases/cases.ts'), formats: ['iife'], name: 'cases', fileName: () => 'cases.js' }
  }
});
