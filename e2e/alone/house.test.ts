import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { root } from '../../scripts/serve.cjs';

const node = (args: string[], input = '') =>
  spawnSync(process.execPath, args, { cwd: root, input, encoding: 'utf8' });

/** What lint says of texts as if they stood in these files: one run for all. */
function lint(texts: readonly (readonly [file: string, text: string])[]): string[] {
  const program = `
    import { ESLint } from 'eslint';
    import tseslint from 'typescript-eslint';
    let input = '';
    for await (const chunk of process.stdin) input += chunk;
    // The made-up files are in no project: rules that ask for types have none.
    const eslint = new ESLint({ cwd: ${JSON.stringify(root)}, overrideConfig: [tseslint.configs.disableTypeChecked] });
    const said = [];
    for (const [filePath, text] of JSON.parse(input)) {
      const [found] = await eslint.lintText(text, { filePath });
      said.push(found.messages.map((m) => m.message).join('; '));
    }
    console.log(JSON.stringify(said));`;
  const { stdout, stderr } = node(['--input-type=module', '-e', program], JSON.stringify(texts));
  if (!stdout) throw new Error(stderr);
  return JSON.parse(stdout) as string[];
}

const x = (from: string) => `import { x } from '${from}';\nexport const y = x;`;

describe('what the core is made of', () => {
  const cases: [file: string, text: string, said: RegExp][] = [
    ['core/units/x.ts', x('node:fs'), /core stands on zod/],
    ['core/units/x.ts', x('react'), /core stands on zod/],
    ['core/units/x.ts', 'export const y = document.title;', /document/],
    ['core/units/x.ts', 'export const y = Math.random();', /seed/],
    ['core/units/x.ts', 'export const y = Date.now();', /Time comes in/],
    ['core/units/x.ts', 'export const y = (z: any) => z;', /any/],
    ['core/units/x.ts', `export const y = '${'long '.repeat(40)}';`, /length of/],
    ['server/x.ts', x('../web/ui/strip'), /knows the core only/],
    ['web/ui/x.ts', x('../../server/app'), /knows the core only/],
    ['core/catalog/links/x.ts', x('../../units'), /^$/],
    ['web/ui/x.ts', x('@kymar/core/units'), /^$/],
  ];
  let said: string[] = [];
  beforeAll(() => {
    said = lint(cases.map(([file, text]) => [file, text]));
  });
  cases.forEach(([file, text, expected], i) =>
    test(`${file}: ${text}, number ${i + 1}`, () => expect(said[i]).toMatch(expected)),
  );
});

/** What is said of a made-up house: files with imports. */
function cruise(files: Record<string, string>): string {
  const house = mkdtempSync(join(tmpdir(), 'kymar-house-'));
  for (const name of ['.dependency-cruiser.cjs', 'tsconfig.base.json'])
    cpSync(join(root, name), join(house, name));
  for (const [name, text] of Object.entries(files)) {
    mkdirSync(dirname(join(house, name)), { recursive: true });
    writeFileSync(join(house, name), text);
  }
  const { stdout } = spawnSync(
    process.execPath,
    [join(root, 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs'), 'core', 'server', 'web'],
    { cwd: house, encoding: 'utf8' },
  );
  rmSync(house, { recursive: true, force: true });
  return stdout;
}

const HOUSE = {
  'core/units/index.ts': 'export const x = 1;',
  'core/units/format.ts': 'export const x = 1;',
  'core/catalog/links/index.ts': "export { x } from './table';",
  'core/catalog/links/table.ts': x('../../units'),
  'core/verdict/index.ts': x('../catalog/links'),
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
  ] as const)
    test(`${name} does not`, () => expect(cruise({ ...HOUSE, ...changed })).toMatch(said));
});
