import js from '@eslint/js';
import globals from 'globals';

export default [
  { ignores: ['target/', 'node_modules/'] },
  js.configs.recommended,
  {
    languageOptions: { ecmaVersion: 'latest', sourceType: 'module', globals: { ...globals.browser } },
    rules: {
      eqeqeq: 'error',
      'no-nested-ternary': 'error',
      'no-shadow': 'error',
      'no-unused-vars': 'error',
      'no-var': 'error',
      'prefer-const': 'error',
    },
  },
  { files: ['src/main/resources/static/worker.js'], languageOptions: { globals: { ...globals.serviceworker } } },
  { files: ['src/test/js/**', '*.mjs'], languageOptions: { globals: { ...globals.node } } },
];
