import expo from 'eslint-config-expo/flat.js';

/** Words for rooms that say nothing of what is in them. */
const WEAK_ROOM = '^\\.{1,2}/(.*/)?(utils|helpers|common|types|tools)(/|$)';

/** Rules on screens: there are none outside the app. */
const ON_SCREENS = Object.fromEntries(
  expo
    .flatMap((part) => Object.keys(part.rules ?? {}))
    .filter((rule) => rule.startsWith('react/') || rule.startsWith('react-hooks/'))
    .map((rule) => [rule, 'off']),
);

/** Files that are tables: their length says how much is known, not how much is done. */
const TABLES = ['core/src/catalogue/**/*.ts', 'core/src/contracts/operations.ts', 'server/src/database/tables.ts'];

export default [
  {
    ignores: [
      '**/node_modules/**',
      'app/dist/**',
      'app/.expo/**',
      'app/expo-env.d.ts',
      '.hudrik/**',
      '**/.stryker-tmp/**',
      'e2e/results/**',
      'server/.tests/**',
      'app/public/**',
    ],
  },
  ...expo,
  {
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: [
            { name: 'lucide-react-native', message: 'Import the icon by its own path: the whole set is large.' },
            { name: 'date-fns', message: 'Import the function by its own path.' },
          ],
          patterns: [{ regex: WEAK_ROOM, message: 'Name the room for what is in it.' }],
        },
      ],
      'import/no-unresolved': 'off',
      'import/namespace': 'off',
      'import/no-named-as-default': 'off',
      'import/no-named-as-default-member': 'off',
      'max-lines': ['error', { max: 300, skipBlankLines: true, skipComments: true }],
      'max-statements': ['error', 20],
      'max-statements-per-line': ['error', { max: 1 }],
      'max-depth': ['error', 3],
      complexity: ['error', 20],
    },
  },
  { files: ['core/**', 'server/**', 'run/**', 'e2e/**', '**/*.test.tsx'], rules: ON_SCREENS },
  { files: TABLES, rules: { 'max-lines': 'off' } },
  {
    files: ['**/*.test.ts', '**/*.test.tsx', 'e2e/**/*.ts'],
    rules: {
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
      'max-statements': 'off',
      complexity: 'off',
    },
  },
  // Stories told in their order: what was done first, then next.
  { files: ['server/src/demo/**', 'server/src/benchmarks/**', 'run/**'], rules: { 'max-statements': ['error', 28] } },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        ...[
          'process',
          'Buffer',
          'fetch',
          'console',
          'setTimeout',
          'setInterval',
          'performance',
          'window',
          'document',
        ].map((name) => ({ name, message: 'core has no clock, no input and no output.' })),
      ],
    },
  },
];
