import tseslint from 'typescript-eslint';
import reactHooks from 'eslint-plugin-react-hooks';

/** The core has no clock, no chance of its own, no host: all of these come from outside, as data. */
const hostless = [
  'window',
  'document',
  'navigator',
  'process',
  'performance',
  'setTimeout',
  'setInterval',
  'fetch',
];
const inexact = ['random', 'exp', 'log', 'log2', 'log10', 'pow', 'sin', 'cos', 'tan'];

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'data/**', '.cache/**'] },
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      eqeqeq: 'error',
      'no-console': 'error',
      'no-restricted-syntax': [
        'error',
        { selector: 'ExportAllDeclaration', message: 'A face names its exports one by one.' },
      ],
    },
  },
  { files: ['scripts/**'], rules: { 'no-console': 'off' } },
  {
    files: ['core/src/**/*.ts'],
    rules: {
      'no-restricted-globals': ['error', 'Date', ...hostless],
      'no-restricted-properties': [
        'error',
        ...inexact.map((property) => ({
          object: 'Math',
          property,
          message: 'Not the same bit for bit on every machine; see kernel/exact.ts and kernel/noise.ts.',
        })),
        { property: 'localeCompare', message: 'Order is data: compare with <.' },
      ],
    },
  },
  { files: ['core/src/**/*.test.ts'], rules: { 'no-restricted-properties': 'off' } },
  {
    files: ['server/src/**/*.ts'],
    rules: { '@typescript-eslint/consistent-type-imports': 'off' },
  },
  {
    files: ['web/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
);
