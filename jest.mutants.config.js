const { projects } = require('./jest.config');

/**
 * The tests that `npm run mutants` runs: of a folder of core its own, which stand beside the code, else those of the
 * whole room, without the tests that start programs of their own.
 */
const [core, server, page] = projects;
const room = process.env.MUTANTS_OF ?? 'core';
const { displayName: _, ...of } = { server, page }[room.split('/')[0]] ?? core;
const folder = /^core\/\w+/.exec(room)?.[0];
/** A file that is run as a program is tried by the tests that start it, and by no others. */
const program = /^(.*main)\.ts$/.exec(room)?.[1];
module.exports = {
  ...of,
  ...(folder === undefined ? {} : { testMatch: [`<rootDir>/${folder}/**/*.test.ts`] }),
  ...(program === undefined ? {} : { testMatch: [`<rootDir>/${program}.test.ts`] }),
  // The preset's own environment is not seen by the program that makes the changes.
  ...(of.preset === undefined ? {} : { testEnvironment: 'jsdom' }),
  // What is tried is written out at length, and slower for it.
  testTimeout: 30_000,
  setupFiles: [...(of.setupFiles ?? []), '<rootDir>/scripts/jest-mutants-setup.js'],
  testPathIgnorePatterns: ['/node_modules/', ...(program === undefined ? ['server/(backup/)?main\\.test'] : [])],
};
