import prettier from 'eslint-config-prettier';
import order from 'eslint-plugin-simple-import-sort';
import vue from 'eslint-plugin-vue';
import tseslint from 'typescript-eslint';

const TYPED = ['{core,data,testing,server,scripts}/**/*.ts', 'web/{src,test}/**/*.ts', 'e2e/**/*.ts'];

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '.data/**', 'test-results/**'] },
  ...tseslint.configs.recommended,
  // Vue's rules read every script they are given: only what is Vue's.
  { files: ['**/*.vue'], extends: [vue.configs['flat/recommended']] },
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: tseslint.parser } } },
  {
    // A figure's field keeps what is half typed by itself.
    files: ['**/*.vue'],
    ignores: ['web/src/ui/FigureInput.vue'],
    rules: {
      'vue/no-restricted-syntax': [
        'error',
        {
          selector:
            'VElement[name=/^(input|textarea)$/] > VStartTag:not(:has(VAttribute[key.name="type"][value.value=/checkbox|radio|range/])) > VAttribute[directive=true][key.argument.name="value"]',
          message: 'A field over a kept text takes v-typed: :value puts the kept text over a half-typed one.',
        },
      ],
    },
  },
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-definitions': 'off',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
      // The type checker knows every name, the browser's too.
      'no-undef': 'off',
    },
  },
  {
    // With types: a case that nobody wrote falls through.
    files: TYPED,
    languageOptions: {
      parserOptions: {
        project: ['tsconfig.json', 'web/tsconfig.json', 'e2e/tsconfig.json'],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
    },
  },
  {
    // A promise that nobody waits for loses its error. Core has none, so nobody looks for one there: it computes, and is done.
    files: TYPED,
    ignores: ['core/src/**'],
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
      '@typescript-eslint/await-thenable': 'error',
    },
  },
  {
    files: ['core/src/**'],
    rules: {
      'no-restricted-globals': ['error', 'Promise'],
      'no-restricted-syntax': ['error', '[async=true]', 'AwaitExpression'],
    },
  },
  // Imports in one order: node's own, packages, ours, then files from far to near.
  {
    plugins: { order },
    rules: {
      'order/imports': [
        'error',
        { groups: [['^\\u0000', '^node:', '^@?\\w', '^@hand-ladle/', '^\\.\\./', '^\\./']] },
      ],
    },
  },
  { rules: { 'max-params': ['error', 5] } },
  // A door is a list of names, as long as there are names.
  { files: ['**/index.ts'], rules: { 'max-lines': 'off' } },
  {
    files: ['core/src/**/*.ts'],
    rules: { 'max-lines-per-function': ['error', { max: 85, skipBlankLines: true, skipComments: true }] },
  },
  prettier,
);
