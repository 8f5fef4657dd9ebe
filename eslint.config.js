import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

export default ts.config(
  { ignores: ['node_modules/', 'build/', '.svelte-kit/', '.data/', 'fonts/', 'static/'] },
  js.configs.recommended,
  ...ts.configs.strict,
  ...svelte.configs.recommended,
  {
    languageOptions: {
      globals: {
        console: 'readonly',
        process: 'readonly',
        URL: 'readonly',
        setTimeout: 'readonly',
        fetch: 'readonly',
        Buffer: 'readonly',
        AbortSignal: 'readonly',
        performance: 'readonly',
      },
    },
    rules: {
      'no-undef': 'off', // TypeScript already knows every name.
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'svelte/prefer-svelte-reactivity': 'off', // State here is replaced, never changed in place.
      'svelte/no-navigation-without-resolve': 'off', // The app is always served from the root of its address.
    },
  },
  { files: ['**/*.svelte', '**/*.svelte.ts'], languageOptions: { parserOptions: { parser: ts.parser, svelteConfig } } },
  { files: ['src/lib/ui/SvgMarkup.svelte'], rules: { 'svelte/no-at-html-tags': 'off' } }, // The one door for markup; see its comment.
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process', 'Buffer', 'performance', 'setTimeout', 'localStorage'],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random' }, { object: 'Date', property: 'now' }],
    },
  },
);
