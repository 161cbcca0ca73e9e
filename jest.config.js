const { cpus } = require('node:os');

const setupFiles = ['<rootDir>/scripts/jest-properties.js'];
/** Of `npm run test:full` alone: long by waiting, and held in short by others; docs/testing.md says by which. */
const LONG = process.env.TESTS === 'full' ? [] : ['/server/copies/object-store\\.test\\.ts$'];
/**
 * Core and server run on plain Node, so their files are read for it: translated for older engines, as the page is, they take a third more
 * of the processor. Components and hooks run under jest-expo's web preset.
 */
const node = {
  testEnvironment: 'node',
  setupFiles,
  transform: {
    '\\.tsx?$': [
      '@swc/jest',
      {
        jsc: { target: 'es2023', parser: { syntax: 'typescript' } },
        module: { type: 'commonjs' },
        sourceMaps: 'inline',
      },
    ],
  },
};
module.exports = {
  globalSetup: '<rootDir>/scripts/jest-setup.mjs',
  globalTeardown: '<rootDir>/scripts/jest-teardown.mjs',
  // A busy machine is slow; how long a test takes says nothing.
  testTimeout: 180_000,
  // One more than cores: some suites wait for servers, and by itself Jest leaves a core idle, which is half of a small machine.
  maxWorkers: cpus().length + 1,
  projects: [
    { displayName: 'core', ...node, testMatch: ['<rootDir>/{core,scripts}/**/*.test.ts'] },
    {
      displayName: 'server',
      ...node,
      testMatch: ['<rootDir>/server/**/*.test.ts'],
      testPathIgnorePatterns: ['/node_modules/', ...LONG],
    },
    {
      displayName: 'interface',
      preset: 'jest-expo/web',
      setupFiles: [...setupFiles, '<rootDir>/scripts/jest-styles.js'],
      setupFilesAfterEnv: ['<rootDir>/scripts/jest-patience.js'],
      // These are modules of the newer kind, which the preset leaves as they are.
      moduleNameMapper: {
        '^nanoid$': '<rootDir>/node_modules/nanoid/index.cjs',
        '^lucide-react-native/icons/(.*)$': '<rootDir>/node_modules/lucide-react-native/dist/cjs/icons/$1.js',
      },
      testMatch: ['<rootDir>/{client,ui,features,workers,platform}/**/*.test.{ts,tsx}'],
    },
  ],
};
