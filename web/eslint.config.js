import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import config from './svelte.config.js';

export default ts.config(
  js.configs.recommended,
  ...ts.configs.recommended,
  ...svelte.configs.recommended,
  { languageOptions: { globals: { ...globals.browser } } },
  // The application is always served from the root.
  { rules: { 'svelte/no-navigation-without-resolve': 'off' } },
  {
    // With types: a promise that nobody waits for says so with void.
    files: ['src/**/*.ts', 'src/**/*.svelte'],
    ignores: ['src/service-worker.ts'],
    languageOptions: {
      parserOptions: { projectService: true, extraFileExtensions: ['.svelte'], tsconfigRootDir: import.meta.dirname }
    },
    rules: { '@typescript-eslint/no-floating-promises': 'error' }
  },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser, svelteConfig: config } },
    rules: {
      // Maps, sets and dates here are made anew, never changed in place.
      'svelte/prefer-svelte-reactivity': 'off'
    }
  },
  { ignores: ['build/', '.svelte-kit/', 'src/lib/api/schema.d.ts'] }
);
