import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import tseslint from 'typescript-eslint';

/** The arrows of the house: web -> core, server -> core, data -> core; core leans on nothing of ours. */
const forbid = (message, ...group) => ({
  'no-restricted-imports': ['error', { patterns: [{ group, message }] }],
});
const FRAMEWORKS = [
  'vue',
  'vue-router',
  'pinia',
  'element-plus',
  'hono',
  '@hono/*',
  'sequelize',
  'joi',
  'node:*',
  'fs',
  'path',
];

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '.data/**', 'test-results/**'] },
  ...tseslint.configs.recommended,
  ...vue.configs['flat/recommended'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: tseslint.parser } } },
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
    files: ['core/src/**/*.ts'],
    ignores: ['core/src/**/*.test.ts', 'core/src/testing/**'],
    rules: forbid(
      'core is pure: it imports nothing of ours and no framework.',
      '@hand-ladle/*',
      '**/server/**',
      '**/web/**',
      '**/data/**',
      ...FRAMEWORKS,
    ),
  },
  {
    files: ['data/src/**/*.ts'],
    rules: forbid(
      'data reads tables for others: it leans on core only.',
      '@hand-ladle/server',
      '@hand-ladle/web',
      '**/server/**',
      '**/web/**',
    ),
  },
  {
    files: ['server/src/**/*.ts'],
    rules: forbid(
      'The server never imports the web app.',
      '@hand-ladle/web',
      '**/web/**',
      'vue',
      'element-plus',
    ),
  },
  {
    files: ['web/src/**/*.{ts,vue}'],
    rules: forbid(
      'The web app never imports the server or its tables.',
      '@hand-ladle/server',
      '@hand-ladle/data',
      '**/server/**',
      '**/data/**',
      'hono',
      'sequelize',
      'node:*',
    ),
  },
  prettier,
);
