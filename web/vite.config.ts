import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig, type Plugin } from 'vite';

const shared = 12; // parts that import a module, from which on it is one of those

/** Writes down which files a player's page takes besides those that every page takes, so
 * that the server can name them with the page: a phone need not find them one by one. */
const playersPage: Plugin = {
  name: 'players-page',
  generateBundle(_, bundle) {
    const chunks = Object.values(bundle).filter((c) => c.type === 'chunk');
    const page = chunks.find((c) =>
      c.moduleIds.some((id) => id.includes('/routes/quiz/') && id.includes('+page.svelte'))
    );
    if (!page || this.environment.name !== 'client') return;
    const files = new Set<string>();
    const styles = new Set<string>();
    const add = (name: string) => {
      const c = chunks.find((x) => x.fileName === name);
      if (!c || files.has(name)) return;
      files.add(name);
      c.viteMetadata?.importedCss.forEach((f) => styles.add(f));
      c.imports.forEach(add);
    };
    add(page.fileName);
    this.emitFile({
      type: 'asset',
      fileName: '_app/quiz.json',
      source: JSON.stringify({ files: [...files], styles: [...styles] })
    });
  }
};

export default defineConfig({
  plugins: [tailwindcss(), sveltekit(), playersPage],
  build: {
    rolldownOptions: {
      checks: { pluginTimings: false },
      // Flowbite's button asks its index for one part; without this all others would come with it.
      treeshake: { moduleSideEffects: [{ test: /flowbite-svelte\/dist/, sideEffects: false }] },
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
