import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';

const shared = 12; // parts that import a module, from which on it is one of those

export default defineConfig({
  plugins: [tailwindcss(), sveltekit()],
  build: {
    rolldownOptions: {
      checks: { pluginTimings: false },
      // What nearly every page needs comes in two files instead of ten of a few hundred
      // bytes: a phone on a slow network waits for each.
      output: {
        codeSplitting: {
          groups: [
            {
              name: 'base',
              test: /node_modules\/(svelte|@sveltejs|esm-env|clsx|openapi-fetch|uuid|dexie)/,
              minShareCount: shared
            },
            { name: 'own', test: /src\/lib\/(api|state|parts)\//, minShareCount: shared }
          ]
        }
      }
    }
  },
  server: { proxy: { '/api': process.env.EVRIK_SERVER ?? 'http://127.0.0.1:8417' } }
});
