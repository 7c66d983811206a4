/*
 * The house: web → core ← server, and the floors of the core from the ground up. A folder imports only from its own floor or those below it, by
 * its door (index.ts), and never in a circle.
 */
const FLOORS = [
  ['text', 'merge', 'units', 'evidence', 'stats'],
  ['catalog'],
  ['assembly'],
  ['models'],
  ['job'],
  ['fit', 'brief'],
  ['forecast'],
  ['choice', 'measure', 'fitting'],
  ['verdict'],
  ['diagnosis', 'calibration', 'statements'],
  ['handover', 'reference', 'backup', 'demo'],
  ['practice'],
];
/** Wings hold rooms of their own; everything else is a room. */
const WINGS = ['catalog'];

/** Packages the core may stand on; everything else is somebody's interface or machine. */
const CORE_MAY = [
  'zod',
  'jsonc-parser',
  'fast-deep-equal',
  'pure-rand',
  'd3-random',
  '@noble/hashes',
  'mdast',
  'mdast-util-from-markdown',
  'mdast-util-gfm-table',
  'mdast-util-to-markdown',
  'mdast-util-to-string',
];
const packages = (names) => `(^|node_modules/)(@types/)?(${names.join('|')})(/|$)`;

const any = (names) => `^core/(${names.join('|')})/`;
const floors = FLOORS.slice(0, -1).map((rooms, i) => ({
  name: `floor-${i + 1}-${rooms[0]}`,
  comment: 'A room stands on its own floor and those below it.',
  severity: 'error',
  from: { path: any(rooms), pathNot: '\\.test\\.ts$' },
  to: { path: any(FLOORS.slice(i + 1).flat()) },
}));

const door = (name, room) => ({
  name,
  comment: 'A room is entered by its door, index.ts.',
  severity: 'error',
  from: { path: `^core/${room}/` },
  to: { path: `^core/(${WINGS.join('|')}/)?[^/]+/.+\\.ts$`, pathNot: [`^core/$1/`, '/index\\.ts$'] },
});

module.exports = {
  forbidden: [
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
    ...floors,
    door('door-of-a-room', `((?!(?:${WINGS.join('|')})/)[^/]+)`),
    door('door-of-a-wing', `((?:${WINGS.join('|')})/[^/]+)`),
    {
      name: 'core-door',
      comment: 'Page, server and programs enter the core by its doors.',
      severity: 'error',
      from: { path: '^(web|server|e2e|bench)/' },
      to: { path: '^core/', pathNot: '/index\\.ts$' },
    },
    {
      name: 'core-alone',
      comment: 'The core knows neither page nor server.',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: '^(web|server|bench|e2e)/' },
    },
    {
      name: 'core-packages',
      comment: 'The core stands on zod and small pure libraries only.',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypesNot: ['local', 'localmodule', 'aliased'], pathNot: packages(CORE_MAY) },
    },
    {
      name: 'server-alone',
      comment: 'The server knows the core only.',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: ['^web/', packages(['react', 'react-dom', '@mui/[^/]+'])] },
    },
    {
      name: 'page-alone',
      comment: 'The page knows the core only.',
      severity: 'error',
      from: { path: '^web/', pathNot: '\\.test\\.tsx?$|/fixtures/|vite\\.config' },
      to: { path: ['^server/', packages(['express'])] },
    },
    {
      name: 'page-in-a-browser',
      comment: 'What runs in a browser has no Node.',
      severity: 'error',
      from: { path: '^web/', pathNot: '\\.test\\.tsx?$|/fixtures/|vite\\.config' },
      to: { dependencyTypes: ['core'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '/(dist|fixtures)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
      extensions: ['.ts', '.tsx', '.mjs', '.js'],
    },
  },
};
