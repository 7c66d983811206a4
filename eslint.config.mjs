/*
 * Rules within a file, without types; what the compiler knows of types is asked by .oxlintrc.json, which takes a tenth of the time.
 * Which folder may import which, and only by its door, is held by .dependency-cruiser.cjs.
 */
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Packages the core may stand on; everything else is somebody's interface or machine. */
const CORE_MAY =
  '(zod$|jsonc-parser$|fast-deep-equal$|pure-rand/|d3-random$|ml-matrix$|@noble/hashes/|mdast(-util-[a-z-]+)?$)';
const forbidden = (patterns, paths = []) => ['error', { patterns, paths }];

export default tseslint.config(
  { ignores: ['**/dist/', '.build/', 'node_modules/', 'docs/'] },
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': [
        'error',
        { prefer: 'type-imports', fixStyle: 'inline-type-imports', disallowTypeAnnotations: false },
      ],
      'max-len': ['error', { code: 160 }],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  { files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
  // A drawn line has the length it has.
  { files: ['web/ui/icons.tsx'], rules: { 'max-len': 'off' } },
  {
    // web → core ← server: the core knows neither, nor the DOM, nor Node, nor a clock, nor chance.
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts', 'core/fixtures/**'],
    rules: {
      'no-restricted-imports': forbidden([
        {
          regex: `^(?!\\.)(?!${CORE_MAY})`,
          message: 'The core stands on zod and small pure libraries only.',
        },
      ]),
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'navigator',
        'localStorage',
        'fetch',
        'process',
        'Buffer',
        'setTimeout',
        'setInterval',
        'performance',
        'crypto',
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'MemberExpression[object.name="Math"][property.name="random"]',
          message: 'Chance comes in as a seed.',
        },
        {
          selector: 'MemberExpression[object.name="Date"][property.name="now"]',
          message: 'Time comes in from outside.',
        },
        {
          selector: 'NewExpression[callee.name="Date"][arguments.length=0]',
          message: 'Time comes in from outside.',
        },
      ],
    },
  },
  {
    files: ['server/**/*.ts'],
    rules: {
      'no-restricted-imports': forbidden([
        {
          group: ['**/web/**', '@kymar/web*', 'react*', '@mui/*'],
          message: 'The server knows the core only.',
        },
      ]),
    },
  },
  { files: ['web/**/*.{ts,tsx}'], plugins: { 'react-hooks': hooks }, rules: hooks.configs.recommended.rules },
  {
    files: ['web/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    rules: {
      'no-restricted-imports': forbidden([
        {
          regex: '(\\.\\./\\.\\./server(/|$)|^@kymar/server|^node:|^express$)',
          message: 'The page knows the core only.',
        },
      ]),
    },
  },
);
