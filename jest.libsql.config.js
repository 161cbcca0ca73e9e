const { projects, ...all } = require('./jest.config');

/** The tests of API and database once more, on libSQL: `DATABASE_URL=file: npx jest --config jest.libsql.config.js`. */
const server = projects.find(({ displayName }) => displayName === 'server');
module.exports = {
  ...all,
  projects: [
    {
      ...server,
      displayName: 'libsql',
      testMatch: ['<rootDir>/server/*.test.ts', '<rootDir>/server/{access,api,backup,db}/**/*.test.ts'],
      // What says nothing of the engine: the page, the terminal, the load and the kills, which have servers of their own.
      testPathIgnorePatterns: ['/(site|main|load|faults|environment|certificate|lan-server)\\.test\\.ts$'],
    },
  ],
};
