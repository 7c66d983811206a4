const shared = {
  rootDir: import.meta.dirname,
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
  testEnvironment: 'node',
  // Looked up in the sandbox’s own world each time, these cost a forecast nine tenths of its time.
  sandboxInjectedGlobals: [
    ...['Math', 'Number', 'Object', 'Array', 'Float64Array', 'Set', 'Map', 'JSON', 'Infinity'],
    ...['Symbol', 'String', 'Uint8Array', 'Int32Array', 'Promise', 'Error', 'RangeError'],
  ],
  setupFilesAfterEnv: ['<rootDir>/scripts/cpu.cjs'],
  testPathIgnorePatterns: ['/node_modules/', '/dist/'],
};

export default {
  projects: [
    { ...shared, displayName: 'unit', testMatch: ['<rootDir>/{core,server,web}/**/*.test.{ts,tsx}'] },
    // The real server and command line, without a page: asks for a build.
    { ...shared, displayName: 'alone', testMatch: ['<rootDir>/e2e/alone/*.test.ts'] },
  ],
  // Both cores: Jest by itself leaves one to the watcher.
  maxWorkers: '100%',
  testTimeout: 120000,
};
