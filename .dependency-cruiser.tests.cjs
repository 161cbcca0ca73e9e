/**
 * The arrows of the tests and their helpers: they may look up and down inside core, but into no room and no feature
 * that what they test may not use. Run by `npm run arrows` after the arrows of the code itself.
 */
const { forbidden, options } = require('./.dependency-cruiser.cjs');

const HELD = /^(.*-uses-only-.*|no-feature-uses-another|core-has-no-interface-and-no-server)$/;

module.exports = {
  forbidden: forbidden.filter(({ name }) => HELD.test(name)),
  options: { ...options, exclude: { path: '^(dist|\\.cache|\\.expo|data)/' } },
};
