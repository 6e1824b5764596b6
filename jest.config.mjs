import { availableParallelism } from 'node:os';
import nextJest from 'next/jest.js';

const createConfig = nextJest({ dir: './' });

const config = await createConfig({
  testEnvironment: 'node',
  globalSetup: '<rootDir>/scripts/emptyDatabase.mjs',
  globalTeardown: '<rootDir>/scripts/noEmptyDatabase.mjs',
  setupFiles: ['<rootDir>/scripts/trialDay.mjs'],
  // A loaded machine is slow, not wrong.
  testTimeout: 240_000,
  // Some tests wait more than they reckon: three of them keep two cores busy. A share above all of them is taken for a number.
  maxWorkers: Math.ceil(1.5 * availableParallelism()),
  roots: ['<rootDir>/src', '<rootDir>/scripts'],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  // No request is at hand in a unit test.
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    '^next/headers$': '<rootDir>/src/edge/request.testing.ts',
  },
})();

const jestConfig = {
  ...config,
  // Nothing is built for a unit test: what runs in threads is done at once. It stands before the paths of the compiler;
  // the pool’s own test, beside it, has the real one.
  moduleNameMapper: { '(?<!^\\.)/heavyPool$': '<rootDir>/src/data/heavyPool.testing.ts', ...config.moduleNameMapper },
  // Looking these up through the sandbox costs fifty times the sum itself in the hot loops. No test replaces one of them.
  sandboxInjectedGlobals: ['Math', 'Array', 'Object', 'Number', 'RegExp', 'Buffer', 'Float32Array', 'Float64Array'],
  // These ship only as ES modules and have to be compiled for the test runner.
  transformIgnorePatterns: [
    '/node_modules/(?!(culori|suncalc|d3-contour|d3-array|internmap|comlink|@date-fns|date-fns|fast-check|pure-rand|age-encryption|@noble|@scure|p-limit|yocto-queue)/)',
  ],
};

export default jestConfig;
