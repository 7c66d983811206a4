import parser from '@typescript-eslint/parser';
import hooks from 'eslint-plugin-react-hooks';
import { root } from '../lib.mjs';
import { rule as kinds } from './kinds.mjs';

const rooms = ['core', 'server', 'web'];

/* Rules of the house that need types. Apart from eslint.config.mjs: types of the whole house take a minute. */
export default [
  // The folders that know their kind, and the one file that knows how it was long ago.
  {
    ignores: [
      '**/dist/',
      '**/*.config.ts',
      '**/*.test.{ts,tsx}',
      '**/fixtures/**',
      '**/kinds/**',
      'core/job/from3.ts',
    ],
  },
  {
    files: [...rooms.map((room) => `${room}/**/*.{ts,tsx}`), 'scripts/lint/tried.ts'],
    languageOptions: {
      parser,
      parserOptions: {
        project: [...rooms, 'scripts/lint'].map((at) => `${at}/tsconfig.json`),
        tsconfigRootDir: root,
      },
    },
    linterOptions: { reportUnusedDisableDirectives: 'off' },
    // Its rules are not asked for here, but named where they are let off.
    plugins: { house: { rules: { kinds } }, 'react-hooks': hooks },
    rules: { 'house/kinds': 'error' },
  },
  { files: ['scripts/lint/tried.ts'], linterOptions: { reportUnusedDisableDirectives: 'error' } },
];
