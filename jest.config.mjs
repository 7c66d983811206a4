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
  transformIgnorePatterns: ['/node_modules/(?!(@noble/hashes|eventsource-parser|d3-random)/)'],
  moduleNameMapper: { '^@kymar/core/(.*)$': '<rootDir>/core/$1/index.ts' },
  rootDir: import.meta.dirname,

  testEnvironment: 'node',
  testMatch: ['<rootDir>/{core,server,web}/**/*.test.{ts,tsx}'],
  testPathIgnorePatterns: ['/node_modules/', '/dist/'],
  // Both cores: Jest by itself leaves one to the watcher.
  maxWorkers: '100%',
  testTimeout: 120000,
};
