const { defineConfig } = require('eslint/config');
const expo = require('eslint-config-expo/flat');

/** Which room may use which is held by dependency-cruiser, see `.dependency-cruiser.cjs`. */
module.exports = defineConfig([
  expo,
  { ignores: ['dist/**', 'node_modules/**', '.expo/**', '.cache/**', 'data/**', 'core/compiled/**', '*.d.ts'] },
  {
    rules: {
      'max-lines': ['error', { max: 300, skipBlankLines: true, skipComments: true }],
      eqeqeq: 'error',
      // Packages whose documented use is their default export.
      'import/no-named-as-default': 'off',
      'import/no-named-as-default-member': 'off',
    },
  },
  {
    files: ['**/*.ts', '**/*.tsx'],
    rules: { '@typescript-eslint/no-explicit-any': 'error' },
  },
  {
    // What the time is comes from a port, so that a test can say it: elsewhere nothing depends on the calendar.
    files: ['{app,core,features,platform,server,ui,workers}/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', '**/testing/**', 'platform/ports.ts', 'server/clock.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'Ask the port: now() of the page, now() of the context, clock() where the server starts.',
        },
        {
          selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
          message: 'Ask the port for the time; performance.now() for how long something takes.',
        },
      ],
    },
  },
]);
