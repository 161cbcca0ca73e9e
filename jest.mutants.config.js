const { projects } = require('./jest.config');

/** One project at a time for `npm run mutants`, without the tests that start programs of their own. */
const [core, server, page] = projects;
const { displayName: _, ...of } = { core, server, page }[process.env.MUTANTS_OF ?? 'core'];
module.exports = {
  ...of,
  setupFiles: [...(of.setupFiles ?? []), '<rootDir>/scripts/jest-mutants-setup.js'],
  testPathIgnorePatterns: ['/node_modules/', 'server/main\\.test', 'server/backup/'],
};
