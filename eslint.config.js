import js from '@eslint/js';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: [
      'scripts/*.tmp.mjs',
      '**/dist',
      '**/node_modules',
      'e2e/test-results',
      '.dependency-cruiser.cjs',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    ...tseslint.configs.recommendedTypeCheckedOnly[0],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
      '@typescript-eslint/consistent-type-imports': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      eqeqeq: 'error',
      'no-console': ['error', { allow: ['error'] }],
    },
  },
  {
    files: ['web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error' },
  },
  {
    // Nothing of the mathematics may know of a screen, a network or a clock.
    files: ['core/src/**/*.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        ...['window', 'document', 'fetch', 'process', 'localStorage', 'crypto', 'Date', 'setTimeout'],
      ],
    },
  },
  { files: ['**/bench/**'], rules: { 'no-console': 'off' } },
  {
    files: ['scripts/**/*.mjs', '*.js'],
    languageOptions: {
      globals: Object.fromEntries(
        [
          'console',
          'process',
          'setTimeout',
          'clearTimeout',
          'URL',
          'fetch',
          'performance',
          'document',
          'window',
          'requestAnimationFrame',
          'MessageChannel',
        ].map((name) => [name, 'readonly']),
      ),
    },
  },
);
