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
  { files: ['scripts/**', 'benchmarks/**', 'demo/**', 'e2e/**'], rules: { 'no-console': 'off' } },
);
