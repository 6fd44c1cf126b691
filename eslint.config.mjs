import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '.data/**', '.e2e/**', '.dependency-cruiser.cjs'] },
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true }],
      eqeqeq: 'error',
      'no-console': 'off',
    },
  },
  // Nest injects by the class value and class-validator by metadata: their imports must stay values.
  { files: ['apps/server/**', 'packages/contract/**'], rules: { '@typescript-eslint/consistent-type-imports': 'off' } },
  {
    files: ['packages/core/src/**'],
    ignores: ['**/*.spec.ts'],
    rules: {
      // The core computes: time and chance come in as arguments.
      'no-restricted-globals': ['error', 'process', 'setTimeout', 'setInterval', 'fetch', 'console'],
      'no-restricted-properties': ['error', { object: 'Date', property: 'now' }, { object: 'Math', property: 'random' }],
    },
  },
  { files: ['apps/web/src/**'], plugins: { 'react-hooks': reactHooks }, rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' } },
);
