import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as numbers from '.';
import * as units from '../units';

/** What the docstrings of a folder show: an expression and what it comes to. */
const shownIn = (folder: string) =>
  readdirSync(folder)
    .filter((name) => /(?<!\.test)\.ts$/.test(name))
    .flatMap((name) => [
      ...readFileSync(join(folder, name), 'utf8').matchAll(/@example (.+?) \/\/ (.+?)(?: \*\/)?$/gm),
    ])
    .map(([, expression, value]) => [expression!, value!] as const);
const known = { ...units, ...numbers };
const evaluated = (expression: string): unknown =>
  new Function(...Object.keys(known), `return ${expression}`)(...Object.values(known));

// An example that is no longer true teaches a stranger what is wrong.
test.each([__dirname, join(__dirname, '../units')].flatMap(shownIn))('%s is %s', (expression, value) =>
  expect(evaluated(expression)).toEqual(evaluated(value)),
);
