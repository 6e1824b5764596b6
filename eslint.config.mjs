import next from 'eslint-config-next';
import prettier from 'eslint-config-prettier';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['node_modules', '.next', 'data', 'data-*', 'next-env.d.ts', 'docs', 'test-results', 'playwright-report', '.test-*'] },
  ...next,
  ...tseslint.configs.strict,
  prettier,
  {
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-invalid-void-type': 'off',
      'no-console': 'error',
    },
  },
  // The story is one file without a server behind it: plain pictures and a head of its own.
  { files: ['src/stages/record/**'], rules: { '@next/next/no-img-element': 'off', '@next/next/no-head-element': 'off' } },
  { files: ['scripts/**', 'benchmarks/**', 'demo/**', 'e2e/**'], rules: { 'no-console': 'off' } },
);
