const { default: fc } = require('fast-check');

/** While wrong changes are tried each property is held against fewer values: most wrong changes fail on the first few. */
const MOST_RUNS = 15;
const assert = fc.assert;

/** A program that a test starts runs with the same wrong change. */
const active = globalThis.__stryker__?.activeMutant;
if (active !== undefined) process.env.__STRYKER_ACTIVE_MUTANT__ = active;

fc.assert = (property, parameters = {}) =>
  assert(property, { ...parameters, numRuns: Math.min(parameters.numRuns ?? MOST_RUNS, MOST_RUNS) });
