const { projects } = require('./jest.config');

/**
 * The tests that `npm run mutants` runs: of a folder of core its own, which stand beside the code, else those of the
 * whole room, without the tests that start programs of their own.
 */
const [core, server, page] = projects;
const room = process.env.MUTANTS_OF ?? 'core';
const { displayName: _, ...of } = { server, page }[room] ?? core;
const folder = /^core\/\w+/.exec(room)?.[0];
module.exports = {
  ...of,
  ...(folder === undefined ? {} : { testMatch: [`<rootDir>/${folder}/**/*.test.ts`] }),
  // The preset's own environment is not seen by the program that makes the changes.
  ...(of.preset === undefined ? {} : { testEnvironment: 'jsdom' }),
  // What is tried is written out at length, and slower for it.
  testTimeout: 30_000,
  setupFiles: [...(of.setupFiles ?? []), '<rootDir>/scripts/jest-mutants-setup.js'],
  testPathIgnorePatterns: ['/node_modules/', 'server/(backup/)?main\\.test'],
};
