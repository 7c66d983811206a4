import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { root } from '../scripts/lib.mjs';

/** What lint says of a text as if it stood in this file. */
function lint(file: string, text: string): string {
  const { stdout } = spawnSync(
    join(root, 'node_modules/.bin/eslint'),
    ['--stdin', '--stdin-filename', join(root, file)],
    { cwd: root, input: text, encoding: 'utf8' },
  );
  return stdout;
}

describe('the one rule of the house: web → core ← server', () => {
  test.each([
    [
      'core/links/x.ts',
      "import { readFileSync } from 'node:fs';\nexport const x = readFileSync;",
      /core stands on zod/,
    ],
    ['core/links/x.ts', "import react from 'react';\nexport const x = react;", /core stands on zod/],
    [
      'core/links/x.ts',
      "import { x } from '../../server/app';\nexport const y = x;",
      /neither page nor server/,
    ],
    ['core/links/x.ts', "import { x } from '../units/format';\nexport const y = x;", /index is its door/],
    ['core/links/x.ts', 'export const x = document.title;', /document/],
    ['core/links/x.ts', 'export const x = Math.random();', /seed/],
    ['core/links/x.ts', 'export const x = Date.now();', /Time comes in/],
    ['server/x.ts', "import { x } from '../web/ui/strip';\nexport const y = x;", /knows the core only/],
    ['server/x.ts', "import { x } from '@kymar/core/units/format';\nexport const y = x;", /by its doors/],
    ['web/ui/x.ts', "import { x } from '../../server/app';\nexport const y = x;", /knows the core only/],
    ['web/ui/x.ts', "import { x } from '../../core/units/format';\nexport const y = x;", /by its doors/],
  ])('%s: %s', (file, text, said) => expect(lint(file, text)).toMatch(said));

  test('what keeps to it passes', () => {
    expect(lint('core/links/x.ts', "import { format } from '../units';\nexport const x = format;")).toBe('');
    expect(lint('web/ui/x.ts', "import { format } from '@kymar/core/units';\nexport const x = format;")).toBe(
      '',
    );
  });
});
