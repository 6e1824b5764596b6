import next from 'eslint-config-next';
import prettier from 'eslint-config-prettier';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: [
      'node_modules',
      '.next',
      'data',
      'data-*',
      'next-env.d.ts',
      'docs',
      'public',
      'test-results',
      'playwright-report',
      '.test-*',
    ],
  },
  ...next,
  ...tseslint.configs.strict,
  prettier,
  {
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-invalid-void-type': 'off',
      'no-console': 'error',
      'no-restricted-syntax': [
        'error',
        {
          selector: 'NewExpression[callee.name="Date"][arguments.length=0]',
          message: 'The time is taken once at the edge (edge/clock, ui/clock) and handed on.',
        },
        {
          selector: 'MemberExpression[object.name="Date"][property.name="now"]',
          message: 'The time is taken once at the edge (edge/clock, ui/clock) and handed on.',
        },
      ],
    },
  },
  // Where the time is taken: at the server's edge, on a device, and by those who measure how long something takes.
  {
    files: [
      'src/edge/clock.ts',
      'src/ui/clock.ts',
      'src/work/trial.ts',
      'scripts/**',
      'benchmarks/**',
      'e2e/**',
      'playwright.config.ts',
    ],
    rules: { 'no-restricted-syntax': 'off' },
  },
  // The story is one file without a server behind it: plain pictures and a head of its own.
  {
    files: ['src/stages/record/**'],
    rules: { '@next/next/no-img-element': 'off', '@next/next/no-head-element': 'off' },
  },
  { files: ['scripts/**', 'benchmarks/**', 'demo/**', 'e2e/**'], rules: { 'no-console': 'off' } },
);
