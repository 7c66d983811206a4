import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { cpSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { root } from '../../scripts/serve.cjs';

/** A folder with these files, and some of this house's own. */
function houseWith(own: readonly string[], files: Record<string, string>): string {
  const house = mkdtempSync(join(tmpdir(), 'kymar-house-'));
  for (const name of own) cpSync(join(root, name), join(house, name));
  for (const [name, text] of Object.entries(files)) {
    mkdirSync(dirname(join(house, name)), { recursive: true });
    writeFileSync(join(house, name), text);
  }
  return house;
}

/** What a checker says of a made-up house. */
function saidOf(house: string, ...[program, ...args]: string[]): string {
  const { stdout } = spawnSync(process.execPath, [join(root, 'node_modules', program!), ...args], {
    cwd: house,
    encoding: 'utf8',
  });
  rmSync(house, { recursive: true, force: true });
  return stdout;
}

const x = (from: string) => `import { x } from '${from}';\nexport const y = x;`;

describe('what is written in any file', () => {
  const said = (name: string, text: string) =>
    saidOf(houseWith(['.oxlintrc.json'], { [name]: text }), 'oxlint/bin/oxlint');
  test.each([
    ['core/x.ts', 'export const y = (z: any) => z;', /no-explicit-any/],
    ['core/units/x.ts', 'export const y = document.title;', /document/],
    ['core/units/x.ts', 'export const y = Math.random();', /seed/],
    ['core/units/x.ts', 'export const y = Date.now();', /Time comes in/],
    ['core/x.test.ts', 'export const y = (z: number) => z == 1;', /eqeqeq/],
    [
      'web/x.tsx',
      "import { useState } from 'react';\nexport const y = (z: number) => z && useState(1);",
      /hooks/,
    ],
    ['server/x.ts', 'const unused = 1;\nexport {};', /no-unused-vars/],
    [
      'web/bench/x.ts',
      "import { verdict } from '@kymar/core/verdict';\nexport const y = verdict;",
      /statements/,
    ],
    [
      'web/state/x.ts',
      "import { verdict } from '@kymar/core/verdict';\nexport const y = verdict;",
      /0 errors/,
    ],
    ['core/x.ts', 'export const y = 1;', /0 warnings and 0 errors/],
  ])('%s: %s', (name, text, expected) => expect(said(name, text)).toMatch(expected));

  const sources = ['core', 'server', 'web', 'e2e', 'scripts', 'bench']
    .flatMap((room) =>
      readdirSync(join(root, room), { recursive: true }).map((name) => join(room, String(name))),
    )
    .filter((name) => /\.(tsx?|[cm]js)$/.test(name) && !/(^|\/)dist\/|node_modules/.test(name));
  const where = (isWrong: (line: string) => boolean, names: readonly string[]) =>
    names.flatMap((name) =>
      readFileSync(join(root, name), 'utf8')
        .split('\n')
        .flatMap((line, i) => (isWrong(line) ? [`${name}:${i + 1}`] : [])),
    );

  test('no line is longer than can be read at once', () => {
    // A drawn line has the length it has.
    const names = sources.filter((name) => !name.endsWith('ui/icons.tsx'));
    expect(names.length).toBeGreaterThan(500);
    expect(where((line) => line.length > 160, names)).toEqual([]);
  });

  test('the core asks no clock: time comes in from outside', () => {
    const core = sources.filter((name) => /^core\/(?!fixtures)/.test(name) && !name.includes('.test.'));
    expect(core.length).toBeGreaterThan(200);
    expect(where((line) => line.includes('new Date()'), core)).toEqual([]);
  });

  test('an exported name has one meaning', () => {
    const exported = /^export (?:default )?(?:async )?(?:const|let|type|interface|function|class) (\w+)/gm;
    const by = new Map<string, string[]>();
    for (const name of sources.filter(
      (s) => /^(core|web|server)\//.test(s) && !/\.test\.|\/fixtures\//.test(s),
    ))
      for (const found of new Set(
        [...readFileSync(join(root, name), 'utf8').matchAll(exported)].map(([, x]) => x!),
      ))
        by.set(found, [...(by.get(found) ?? []), name]);
    expect(by.size).toBeGreaterThan(1500);
    expect([...by].filter(([, names]) => names.length > 1)).toEqual([]);
  });

  test('nobody asks which kind an activity is, but the folders named kinds', () => {
    const asks =
      /kind\)?\s*[!=]==?\s*'(move|stream|open|scratch|keep)'|case '(move|stream|open|scratch|keep)':/;
    for (const line of ["a.kind === 'move'", "kind !== 'open' &&", "case 'keep':"])
      expect(line).toMatch(asks);
    // What was written before is read by what it was called then.
    const elsewhere = sources.filter(
      (name) =>
        /^(core|web|server)\//.test(name) && !/\/kinds\/|\.test\.|\/fixtures\/|job\/from3\.ts$/.test(name),
    );
    expect(elsewhere.length).toBeGreaterThan(300);
    expect(where((line) => asks.test(line), elsewhere)).toEqual([]);
  });
});

const cruise = (files: Record<string, string>): string =>
  saidOf(
    houseWith(['.dependency-cruiser.cjs', 'tsconfig.base.json'], files),
    'dependency-cruiser/bin/dependency-cruise.mjs',
    'core',
    'server',
    'web',
  );

const HOUSE = {
  'core/units/index.ts': 'export const x = 1;',
  'core/units/format.ts': 'export const x = 1;',
  'core/catalog/links/index.ts': "export { x } from './table';",
  'core/catalog/links/table.ts': x('../../units'),
  'core/verdict/index.ts': `${x('../catalog/links')}\nexport { z } from 'zod';`,
  'server/main.ts': x('../core/units'),
  'web/main.ts': x('../core/verdict'),
};

describe('the floors of the house', () => {
  test('what stands on what is below it passes', () =>
    expect(cruise(HOUSE)).toMatch(/no dependency violations/));
  for (const [name, changed, said] of [
    ['upwards', { 'core/units/index.ts': x('../verdict') }, /floor-1-text/],
    ['past a door', { 'core/verdict/index.ts': x('../units/format') }, /door-of-a-room/],
    ['past a door in a wing', { 'core/verdict/index.ts': x('../catalog/links/table') }, /door-of-a-room/],
    ['past a door from a wing', { 'core/catalog/links/table.ts': x('../../units/format') }, /door-of-a-wing/],
    ['past a door from the page', { 'web/main.ts': x('../core/units/format') }, /core-door/],
    [
      'in a circle',
      { 'core/units/format.ts': x('./index'), 'core/units/index.ts': x('./format') },
      /no-circle/,
    ],
    ['from the core to the server', { 'core/units/index.ts': x('../../server/main') }, /core-alone/],
    ['from the server to the page', { 'server/main.ts': x('../web/main') }, /server-alone/],
    ['from the page to the server', { 'web/main.ts': x('../server/main') }, /page-alone/],
    ['from the core to Node', { 'core/units/index.ts': x('node:fs') }, /core-packages/],
    ['from the core to React', { 'core/units/index.ts': x('react') }, /core-packages/],
    [
      'from the core to a type of React’s',
      { 'core/units/index.ts': "import type { FC } from 'react';\nexport type X = FC;" },
      /core-packages/,
    ],
    ['from the page to Node', { 'web/main.ts': x('node:fs') }, /page-in-a-browser/],
  ] as const)
    test(`${name} does not`, () => expect(cruise({ ...HOUSE, ...changed })).toMatch(said));
});

describe('the second engine, which judges the core', () => {
  const at = join(root, 'bench/rigs');
  const files = readdirSync(at)
    .sort()
    .map((name) => ({ name, text: readFileSync(join(at, name), 'utf8') }));

  test('imports nothing but itself', () => {
    const from = files.flatMap(({ text }) =>
      [...text.matchAll(/(?:from|import\()\s*'([^']*)'/g)].map(([, path]) => path!),
    );
    expect(from.length).toBeGreaterThan(10);
    expect(from.filter((path) => !/^\.\/[a-z]+\.mjs$/.test(path))).toEqual([]);
  });

  test('is as it was frozen: what is changed in it has its source in docs/rigs.md, beside its new sum', () => {
    const sum = createHash('sha256');
    for (const { name, text } of files) sum.update(`${name}\n${text}`);
    expect(readFileSync(join(root, 'docs/rigs.md'), 'utf8')).toContain(sum.digest('hex'));
  });
});
