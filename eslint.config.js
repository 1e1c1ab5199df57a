import js from '@eslint/js'
import hooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

const tests = ['**/*.test.ts', '**/testApp.ts', '**/*Case.ts', 'e2e/**', 'bench/**', 'scripts/**']

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '.cache/**', 'packages/server/drizzle/**', '**/test-results/**'] },
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
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    /* Where written words become ids. */
    files: ['packages/core/src/shared/brand.ts'],
    rules: { '@typescript-eslint/consistent-type-assertions': 'off' },
  },
  { files: tests, rules: { '@typescript-eslint/consistent-type-assertions': 'off', 'no-empty-pattern': 'off' } },
)
