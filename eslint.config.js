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
]);
