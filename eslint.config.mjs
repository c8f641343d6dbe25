import comments from '@eslint-community/eslint-plugin-eslint-comments/configs'
import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'
import { noInheritedNames } from './scripts/lint/noInheritedNames.mjs'

export default tseslint.config(
  { ignores: ['.next/', '.stamps/', 'node_modules/', 'next-env.d.ts', '.dependency-cruiser.cjs'] },
  ...tseslint.configs.strict,
  comments.recommended,
  {
    linterOptions: { reportUnusedDisableDirectives: 'error' },
    rules: {
      // A rule is set aside with a reason or not at all; that of dependencies never, since what is left out goes stale.
      '@eslint-community/eslint-comments/require-description': 'error',
      '@eslint-community/eslint-comments/no-restricted-disable': ['error', 'react-hooks/*'],
    },
  },
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/consistent-type-imports': ['error', { disallowTypeAnnotations: false }],
      // Taking a field out of an object names it.
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      eqeqeq: 'error',
      'no-console': 'off',
    },
  },
  {
    files: ['src/**/*.tsx', 'src/**/use*.ts', 'app/**/*.tsx'],
    ...reactHooks.configs.flat['recommended-latest'],
  },
  {
    files: ['src/**/*.{ts,tsx}', 'app/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', '**/testing/**'],
    languageOptions: { parserOptions: { projectService: true } },
    plugins: { notchgauge: { rules: { 'no-inherited-names': noInheritedNames } } },
    rules: { 'notchgauge/no-inherited-names': 'error' },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts', 'src/core/testing/**'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'fetch',
        'localStorage',
        'indexedDB',
        'process',
        'self',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'Core is given its time.' },
        { object: 'Math', property: 'random', message: 'The same inputs give the same answer.' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'NewExpression[callee.name="Date"][arguments.length=0]',
          message: 'Core is given its time.',
        },
      ],
    },
  },
)
