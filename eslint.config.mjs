import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import tseslint from 'typescript-eslint';

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
    // With types: a promise that nobody waits for loses its error, a case that nobody wrote falls through.
    files: ['{core,data,testing,server,scripts}/**/*.ts', 'web/{src,test}/**/*.ts', 'e2e/**/*.ts'],
    languageOptions: {
      parserOptions: {
        project: ['tsconfig.json', 'web/tsconfig.json', 'e2e/tsconfig.json'],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
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
