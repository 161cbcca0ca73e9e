const { defineConfig } = require('eslint/config');
const expo = require('eslint-config-expo/flat');

/** Arrows: app -> features -> ui, workers -> core; server -> core; core -> nothing of ours. */
const ROOMS = ['app', 'features', 'ui', 'workers', 'server', 'core'];
const MAY_USE = {
  app: ['features', 'ui'],
  features: ['ui', 'workers', 'core'],
  ui: ['core'],
  workers: ['core'],
  server: ['core'],
  core: [],
};
const zones = ROOMS.flatMap((room) =>
  ROOMS.filter((other) => other !== room && !MAY_USE[room].includes(other)).map((other) => ({
    target: `./${room}`,
    from: `./${other}`,
    message: `${room} may not import from ${other}.`,
  })),
);

module.exports = defineConfig([
  expo,
  { ignores: ['dist/**', 'node_modules/**', '.expo/**', '.cache/**', 'data/**', '*.d.ts'] },
  {
    rules: {
      'import/no-restricted-paths': ['error', { zones }],
      'max-lines': ['error', { max: 300, skipBlankLines: true, skipComments: true }],
      eqeqeq: 'error',
      // Packages whose documented use is their default export.
      'import/no-named-as-default': 'off',
      'import/no-named-as-default-member': 'off',
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: ['react', 'react-*', 'expo*', 'node:*', 'express', 'drizzle-orm*'],
              message: 'core has no interface, no server and no I/O.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['**/*.ts', '**/*.tsx'],
    rules: { '@typescript-eslint/no-explicit-any': 'error' },
  },
]);
