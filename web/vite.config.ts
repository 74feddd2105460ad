import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [tailwindcss(), sveltekit()],
  build: { rolldownOptions: { checks: { pluginTimings: false } } },
  server: { proxy: { '/api': process.env.EVRIK_SERVER ?? 'http://127.0.0.1:8417' } }
});
