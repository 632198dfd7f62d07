import js from '@eslint/js';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import { importX } from 'eslint-plugin-import-x';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

/** Imports go one way: core ← wording ← server, ui ← routes. */
const zones = [
  {
    target: './src/lib/core',
    from: ['./src/lib/wording', './src/lib/server', './src/lib/ui', './src/lib/workers', './src/routes', './src/demo'],
  },
  {
    target: './src/lib/wording',
    from: ['./src/lib/server', './src/lib/ui', './src/lib/workers', './src/routes'],
  },
  { target: './src/lib/server', from: ['./src/lib/ui', './src/lib/workers', './src/routes'] },
  { target: './src/lib/workers', from: ['./src/lib/server', './src/lib/ui', './src/routes'] },
  { target: './src/lib/ui', from: ['./src/lib/server', './src/routes'] },
  { target: './src/demo', from: ['./src/lib', './src/routes'] },
];

export default ts.config(
  { ignores: ['build/', '.svelte-kit/', 'node_modules/', '.data/', '.bench/', 'vendor/', 'test-results/'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...svelte.configs.recommended,
  {
    languageOptions: { globals: { ...globals.browser, ...globals.node } },
    plugins: { 'import-x': importX },
    settings: { 'import-x/resolver-next': [createTypeScriptImportResolver({ project: './tsconfig.json' })] },
    rules: {
      'import-x/no-restricted-paths': ['error', { zones }],
      'no-undef': 'off',
      'no-control-regex': 'off',
      'no-misleading-character-class': 'off',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      'svelte/no-navigation-without-resolve': 'off',
      // A space at the end of a line stands in braces, or the formatter would take it.
      'svelte/no-useless-mustaches': 'off',
      'svelte/prefer-svelte-reactivity': 'off',
    },
  },
  {
    files: ['src/lib/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'localStorage', 'fetch', 'process'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'Pass the time in.' },
        { object: 'Math', property: 'random', message: 'Pass a seeded source in.' },
      ],
    },
  },
  // Tests may look across: they hold the layers against each other and against the sample plans.
  { files: ['**/*.test.ts', 'src/tests/**'], rules: { 'import-x/no-restricted-paths': 'off' } },
  { files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
  {
    files: ['**/*.svelte', '**/*.svelte.ts', '**/*.svelte.js'],
    languageOptions: { parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig } },
  },
);
