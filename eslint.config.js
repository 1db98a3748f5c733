import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import regexp from 'eslint-plugin-regexp';
import svelte from 'eslint-plugin-svelte';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

const NOTHING_BY_IMPORT = {
  selector: 'ImportDeclaration[specifiers.length=0][source.value=/^[.$].*(?<!css)$/]',
  message: 'A module of ours does nothing by being imported.'
};

export default ts.config(
  { ignores: ['build/', '.svelte-kit/', 'node_modules/', 'data/', '.tmp/', 'test-results/', '**/*.cjs'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...svelte.configs.recommended,
  prettier,
  ...svelte.configs.prettier,
  {
    rules: {
      'no-undef': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'svelte/no-navigation-without-resolve': 'off'
    }
  },
  {
    // a pattern over what somebody typed takes time in step with its length, never with its square
    files: ['src/**'],
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential', ignoreSticky: false }]
    }
  },
  {
    // package.json says so to the bundler, which would leave such a module out without a word
    files: ['src/**'],
    rules: { 'no-restricted-syntax': ['error', NOTHING_BY_IMPORT] }
  },
  {
    // both fetch the page anew when an answer comes, and would end the way to another one
    files: ['src/**'],
    ignores: ['src/lib/state/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          name: '$app/navigation',
          importNames: ['invalidateAll'],
          message: 'state/on-the-way.ts has readAnew.'
        },
        {
          name: '$app/forms',
          importNames: ['enhance'],
          message: 'state/send.ts and kept-fields.ts have actions.'
        }
      ]
    }
  },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: {
      parserOptions: { extraFileExtensions: ['.svelte'], parser: ts.parser, svelteConfig }
    }
  },
  {
    files: ['src/lib/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        NOTHING_BY_IMPORT,
        {
          selector: "MemberExpression[object.name='Date'][property.name='now']",
          message: 'The clock is an argument.'
        },
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'The clock is an argument.'
        },
        {
          selector: "MemberExpression[object.name='Math'][property.name='random']",
          message: 'Chance is an argument.'
        }
      ]
    }
  }
);
