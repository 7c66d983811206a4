import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import ts from 'typescript';
import { root } from '../scripts/lib.mjs';

/**
 * Random changes of one token of the core, each held against the unit tests: those beside it first, then all that reach it. A change that no test notices
 * says which line nobody checks. In a copy of what is committed. Usage: npm run bench -- mutants [CHANGES] [SEED]
 */
const [changes = 100, seed = 1] = process.argv.slice(2, 4).map(Number);
const GOAL = 85;
/** s: what runs longer hangs, and a test would have ended it. */
const PATIENCE = 300;

/** What each operator is taken for. */
const OPERATORS = {
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
  '<': '<=',
  '<=': '<',
  '>': '>=',
  '>=': '>',
  '===': '!==',
  '!==': '===',
  '&&': '||',
  '||': '&&',
  '??': '&&',
};
const NAMES = { min: 'max', max: 'min', floor: 'ceil', ceil: 'floor', some: 'every', every: 'some' };
const OTHERS = { true: 'false', false: 'true' };

/** Each place of a file where one token may be another. */
function placesOf(file, text) {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const places = [];
  const put = (node, by) => by && places.push({ file, from: node.getStart(source), to: node.end, by });
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) put(node.operatorToken, OPERATORS[node.operatorToken.getText(source)]);
    if (ts.isPropertyAccessExpression(node)) put(node.name, NAMES[node.name.text]);
    if (ts.isNumericLiteral(node)) {
      const value = Number(node.text);
      put(node, Number.isInteger(value) && value < 1e4 ? String(value + 1) : `(${node.text} * 1.4)`);
    }
    put(
      node,
      OTHERS[{ [ts.SyntaxKind.TrueKeyword]: 'true', [ts.SyntaxKind.FalseKeyword]: 'false' }[node.kind]],
    );
    ts.forEachChild(node, visit);
  };
  visit(source);
  return places;
}

/** Evenly in 0 to 1 [mulberry32, from memory]. */
function uniform(state) {
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

const copy = mkdtempSync(join(tmpdir(), 'kymar-mutants-'));
process.once('exit', () => rmSync(copy, { recursive: true, force: true }));
const git = (...args) => spawnSync('git', args, { cwd: root, encoding: 'utf8', maxBuffer: 1e8 }).stdout;
git('clone', '--quiet', '--shared', root, copy);
cpSync(join(root, 'node_modules'), join(copy, 'node_modules'), { recursive: true, verbatimSymlinks: true });

const files = git('ls-files', 'core')
  .split('\n')
  .filter((f) => f.endsWith('.ts') && !/\.test\.ts$|(^|\/)index\.ts$|\/(fixtures|demo|stock)\//.test(f));
const places = files.flatMap((f) => placesOf(f, readFileSync(join(copy, f), 'utf8')));
console.log(`${places.length} places in ${files.length} files, seed ${seed}`);

// The group of processes is ended with what hangs in it.
const JEST = ['-s', 'KILL', String(PATIENCE), process.execPath, 'node_modules/jest/bin/jest.js'];
const isRed = (...args) => {
  const { status } = spawnSync('timeout', [...JEST, '--selectProjects', 'unit', '--bail', ...args], {
    cwd: copy,
  });
  return status !== 0;
};

const draw = uniform(seed);
let killed = 0;
for (let done = 1; done <= changes; done++) {
  const { file, from, to, by } = places[Math.floor(draw() * places.length)];
  const path = join(copy, file);
  const text = readFileSync(path, 'utf8');
  writeFileSync(path, text.slice(0, from) + by + text.slice(to));
  const beside = ['--passWithNoTests', '--testPathPatterns', `${dirname(file)}/[^/]*$`];
  const isKilled = isRed(...beside) || isRed('--passWithNoTests', '--findRelatedTests', file);
  writeFileSync(path, text);
  if (isKilled) killed++;
  const line = text.slice(0, from).split('\n').length;
  const words = text.split('\n')[line - 1].trim();
  console.log(
    `${isKilled ? 'killed' : 'ALIVE '} ${file}:${line} ${text.slice(from, to)} -> ${by} | ${words.slice(0, 100)}`,
  );
}
const share = Math.round((100 * killed) / changes);
console.log(`${share >= GOAL ? 'met' : 'missed'}: ${killed} of ${changes} killed (${GOAL} %)`);
