import js from '@eslint/js'
import a11y from 'eslint-plugin-jsx-a11y-x'
import hooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

const tests = ['**/*.test.ts', '**/testApp.ts', '**/testing/**', '**/*Case.ts', 'e2e/**', 'bench/**', 'scripts/**']

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      '.cache/**',
      'packages/server/drizzle/**',
      '**/test-results/**',
      '**/shipped/compiled.ts',
      'yard/**',
      'data/**',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/consistent-type-assertions': ['error', { assertionStyle: 'never' }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'max-lines': ['error', { max: 400, skipComments: true, skipBlankLines: true }],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      'no-undef': 'off',
    },
  },
  {
    files: ['packages/core/src/**'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
          message: 'Core has no clock: take the time as an argument.',
        },
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'Core has no clock.' },
        {
          selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
          message: 'Core has no chance of its own: take a SeededRandom.',
        },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process', 'performance', 'console'],
    },
  },
  {
    files: ['packages/web/src/**'],
    extends: [a11y.configs.recommended],
    plugins: { 'react-hooks': hooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      // What scrolls is reached by keys.
      'jsx-a11y-x/no-noninteractive-tabindex': 'off',
      'jsx-a11y-x/label-has-associated-control': ['error', { depth: 3 }],
    },
  },
  {
    /* What is promised is waited for, or said not to be. */
    files: ['packages/{server,web}/src/**/*.{ts,tsx}', 'e2e/**/*.ts'],
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
    },
  },
  {
    /* Where written words become ids. */
    files: ['packages/core/src/shared/brand.ts'],
    rules: { '@typescript-eslint/consistent-type-assertions': 'off' },
  },
  { files: tests, rules: { '@typescript-eslint/consistent-type-assertions': 'off', 'no-empty-pattern': 'off' } },
)
