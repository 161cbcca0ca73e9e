/** Core and server run on plain Node; components and hooks under jest-expo's web preset. */
const node = {
  testEnvironment: 'node',
  transform: { '\\.tsx?$': ['babel-jest', { presets: ['babel-preset-expo'] }] },
};
module.exports = {
  globalSetup: '<rootDir>/scripts/jest-setup.mjs',
  // A busy machine is slow; how long a test takes says nothing.
  testTimeout: 30_000,
  projects: [
    { displayName: 'core', ...node, testMatch: ['<rootDir>/core/**/*.test.ts'] },
    { displayName: 'server', ...node, testMatch: ['<rootDir>/server/**/*.test.ts'] },
    {
      displayName: 'interface',
      preset: 'jest-expo/web',
      // The icons are modules of the newer kind, which the preset leaves as they are.
      moduleNameMapper: {
        '^lucide-react-native/icons/(.*)$': '<rootDir>/node_modules/lucide-react-native/dist/cjs/icons/$1.js',
      },
      testMatch: ['<rootDir>/{ui,features,workers,platform}/**/*.test.{ts,tsx}'],
    },
  ],
};
