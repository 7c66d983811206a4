export default {
  transform: {
    '^.+\\.(m?js|tsx?)$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          target: 'es2022',
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'commonjs' },
      },
    ],
  },
  // Packages that come as modules only.
  transformIgnorePatterns: [
    '/node_modules/(?!(@noble/hashes|eventsource-parser|d3-random|mdast-util-[^/]+|micromark[^/]*|unist-util-[^/]+|' +
      'zwitch|longest-streak|markdown-table|devlop|decode-named-character-reference|character-entities)/)',
  ],
  moduleNameMapper: { '^@kymar/core/(.*)$': '<rootDir>/core/$1/index.ts' },
  rootDir: import.meta.dirname,

  testEnvironment: 'node',
  // Looked up in the sandbox’s own world each time, these cost a forecast nine tenths of its time.
  sandboxInjectedGlobals: [
    'Math',
    'Number',
    'Object',
    'Array',
    'Float64Array',
    'Set',
    'Map',
    'JSON',
    'Infinity',
    'Symbol',
    'String',
    'Uint8Array',
    'Int32Array',
    'Promise',
    'Error',
    'RangeError',
  ],
  testMatch: ['<rootDir>/{core,server,web}/**/*.test.{ts,tsx}'],
  testPathIgnorePatterns: ['/node_modules/', '/dist/'],
  // Both cores: Jest by itself leaves one to the watcher.
  maxWorkers: '100%',
  testTimeout: 120000,
};
