/** Core and server run on plain Node; components under jest-expo's web preset. */
module.exports = {
  projects: [
    {
      displayName: 'core and server',
      testEnvironment: 'node',
      testMatch: ['<rootDir>/core/**/*.test.ts', '<rootDir>/server/**/*.test.ts'],
      transform: { '\\.tsx?$': ['babel-jest', { presets: ['babel-preset-expo'] }] },
    },
    {
      displayName: 'interface',
      preset: 'jest-expo/web',
      testMatch: ['<rootDir>/{ui,features,workers}/**/*.test.{ts,tsx}'],
    },
  ],
};
