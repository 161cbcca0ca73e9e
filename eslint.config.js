const { defineConfig } = require('eslint/config');
const expo = require('eslint-config-expo/flat');

/** Every rule of the set that is for components and hooks, switched off: they follow each function, which takes its time. */
const NO_REACT = Object.fromEntries(
  expo
    .flatMap(({ rules = {} }) => Object.keys(rules))
    .filter((rule) => /^react(-hooks)?\//.test(rule))
    .map((rule) => [rule, 'off']),
);

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
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      // The type check holds these, and reading every imported file once more took half of the lint's time.
      'import/namespace': 'off',
      'import/named': 'off',
      'import/default': 'off',
      'import/export': 'off',
      'import/no-unresolved': 'off',
    },
  },
  // Nothing of React stands in these.
  { files: ['{core,server,measure,scripts,e2e}/**/*.{ts,mjs,js}'], rules: NO_REACT },
  {
    // What the time is comes from a port, so that a test can say it: elsewhere nothing depends on the calendar.
    files: ['{app,client,core,features,platform,server,ui,workers}/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', '**/testing/**', 'platform/ports.ts', 'server/system/clock.ts'],
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
        {
          selector: 'CallExpression[callee.name=/^set(Timeout|Interval)$/]',
          message:
            'Wait through the port: after() and every() of the page; after(), every() and pause() of the server’s clock.',
        },
        {
          selector:
            'CallExpression[callee.property.name=/^set(Timeout|Interval)$/][callee.object.name=/^(window|globalThis)$/]',
          message: 'Wait through the port: after() and every() of the page.',
        },
      ],
    },
  },
]);
