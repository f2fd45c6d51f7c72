import js from '@eslint/js';
import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

// What ships is checked with its types; tests and tools without, which is quicker.
export default ts.config(
  {
    ignores: ['dist', 'node_modules', 'src/api/schema.ts', 'test-results', 'playwright-report', '*.tmp.mjs'],
  },
  js.configs.recommended,
  ...ts.configs.recommended,
  {
    files: ['src/**/*.ts', 'src/**/*.tsx'],
    extends: [ts.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { project: './tsconfig.app.json', tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/only-throw-error': 'off',
    },
  },
  a11y.flatConfigs.recommended,
  {
    files: ['e2e/**', 'bench/**'],
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  hooks.configs.flat['recommended-latest'] ?? hooks.configs['recommended-latest'],
);
