import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Units that a screen may not say by itself. */
const UNIT_WORDS = String.raw`/(^|[\s(])(bu|lb|lbs|ac|mph|ft|psi|gal|bu\u002F(ac|h)|\$\u002Fbu|lb\u002Fs)($|[\s.,;:)])/`;

/** The first of the platform's tables of languages that a page asks for takes longer to open than the page. */
const IN_ORDER = 'Ask naturally or inOrder of the core.';

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '.data/**', '.e2e/**', '.dependency-cruiser.cjs'] },
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
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
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now' },
        { object: 'Math', property: 'random' },
      ],
    },
  },
  {
    // What a write runs on is handed on to repositories, and nobody else looks into it.
    files: ['apps/server/src/features/**'],
    ignores: ['**/*.repository.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'MemberExpression[object.name="tx"]', message: 'Ask a repository.' },
      ],
    },
  },
  {
    // Dates and times are said in one place, in the reader's own way.
    files: ['apps/web/src/**'],
    ignores: ['apps/web/src/quantity/**', '**/*.spec.*'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'MemberExpression[property.name=/^toLocale(Date|Time)String$/]', message: 'Ask quantity/time.' },
        { selector: 'NewExpression[callee.property.name="DateTimeFormat"]', message: 'Ask quantity/time.' },
        { selector: 'CallExpression[callee.property.name="padStart"]', message: 'Ask quantity/time.' },
        // So are numbers and units: a farm may be metric, and every screen follows.
        { selector: 'MemberExpression[property.name=/^(toFixed|toLocaleString)$/]', message: 'Ask quantity.' },
        { selector: 'NewExpression[callee.property.name="NumberFormat"]', message: 'Ask quantity.' },
        { selector: 'MemberExpression[property.name="localeCompare"]', message: IN_ORDER },
        ...['Literal[value', 'JSXText[value', 'TemplateElement[value.raw'].map((where) => ({
          selector: `${where}=${UNIT_WORDS}]`,
          message: 'A unit is said by quantity: the reader may have another.',
        })),
      ],
    },
  },
  {
    files: ['packages/core/src/**', 'packages/contract/src/**', 'apps/web/src/quantity/**'],
    ignores: ['**/*.spec.*'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'MemberExpression[property.name="localeCompare"]', message: IN_ORDER },
      ],
    },
  },
  {
    files: ['e2e/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.property.name='getByText']",
          message:
            'Walks find things by role and name, refusals at their box (pages.ts: refused, told, toasted): a sentence may be said better tomorrow.',
        },
      ],
    },
  },
  {
    files: ['apps/web/src/**'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
);
