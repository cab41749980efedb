import next from '@next/eslint-plugin-next'
import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'
import { moreWays, mostWays } from './scripts/ways.mjs'

/** A switch counts as one way, however many cases it has. */
const ways = (max) => ['error', { max, variant: 'modified' }]

export default tseslint.config(
  { ignores: ['node_modules', '.next', '.hearth', 'next-env.d.ts', 'coverage'] },
  ...tseslint.configs.recommended,
  {
    plugins: { '@next/next': next, 'react-hooks': reactHooks },
    rules: {
      ...next.configs.recommended.rules,
      ...next.configs['core-web-vitals'].rules,
      ...reactHooks.configs.recommended.rules,
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      // There is no React compiler here to be incompatible with.
      'react-hooks/incompatible-library': 'off',
      eqeqeq: 'error',
      'no-console': 'error',
      'prefer-const': 'error',
    },
  },
  {
    files: ['**/*.ts', '**/*.tsx'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true, requireDefaultForNonUnion: false },
      ],
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
      '@typescript-eslint/no-unnecessary-type-assertion': 'error',
      '@typescript-eslint/await-thenable': 'error',
      complexity: ways(mostWays),
    },
  },
  {
    files: ['{core,server,app,ui,demo,scripts,setup}/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts'],
    // How many there still are stands in package.json (`lint:code`), and may only shrink.
    rules: { '@typescript-eslint/no-non-null-assertion': 'warn' },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'fetch',
        'crypto',
        'process',
        'setTimeout',
        'localStorage',
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'Core has no clock: take the moment as an argument.',
        },
        {
          selector: "MemberExpression[object.name='Date'][property.name='now']",
          message: 'Core has no clock: take the moment as an argument.',
        },
        {
          selector: "MemberExpression[object.name='Math'][property.name='random']",
          message: 'Core has no dice: take what is random as an argument.',
        },
      ],
    },
  },
  ...Object.entries(moreWays).map(([file, most]) => ({
    // A folder in square brackets is one of that very name.
    files: [file.replaceAll(/[[\]]/g, '\\$&')],
    rules: { complexity: ways(most) },
  })),
)
