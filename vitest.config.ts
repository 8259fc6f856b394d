import { defaultExclude, defineConfig } from 'vitest/config';

// Files and tests need nothing of each other: their order is another one each time, and told with what fails.
const ANY_ORDER = { shuffle: { files: true, tests: true } };

export default defineConfig({
  test: {
    projects: [
      {
        extends: true,
        test: {
          name: 'unit',
          sequence: ANY_ORDER,
          include: [
            'packages/*/test/**/*.test.ts',
            'scripts/test/**/*.test.ts',
            'apps/*/test/**/*.test.ts',
          ],
          exclude: [...defaultExclude, '**/*.api.test.ts'],
          isolate: false,
          // Limits catch what hangs, and nothing else: machines are busy.
          hookTimeout: 300000,
          testTimeout: 300000,
        },
      },
      {
        extends: true,
        test: {
          name: 'api',
          sequence: ANY_ORDER,
          include: ['apps/*/test/**/*.api.test.ts'],
          globalSetup: 'apps/server/test/mariadb.setup.ts',
          hookTimeout: 300000,
          testTimeout: 300000,
          fileParallelism: true,
          maxWorkers: 2,
          // What takes longest to begin with is reading the code: each worker does it once.
          isolate: false,
        },
      },
    ],
  },
});
