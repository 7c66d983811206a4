/*
 * What the React compiler asks of a page. All other rules, with and without types, are in .oxlintrc.json, which takes a twentieth of the time; which
 * folder may import which, and what packages, is held by .dependency-cruiser.cjs.
 */
import parser from '@typescript-eslint/parser';
import hooks from 'eslint-plugin-react-hooks';

export default [
  { ignores: ['**/dist/', '**/*.config.ts', '**/*.test.{ts,tsx}', '**/fixtures/**'] },
  {
    files: ['web/**/*.{ts,tsx}'],
    languageOptions: { parser },
    plugins: { 'react-hooks': hooks },
    rules: hooks.configs.recommended.rules,
  },
];
