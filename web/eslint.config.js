import js from '@eslint/js';
import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['dist', 'node_modules', 'src/api/schema.ts', 'test-results', 'playwright-report'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  a11y.flatConfigs.recommended,
  hooks.configs.flat['recommended-latest'] ?? hooks.configs['recommended-latest'],
);
