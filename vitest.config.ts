import { defineConfig } from 'vitest/config';

// Each test makes what it needs, so that any order will do: it is another one each time, and told with what fails.
const ANY_ORDER = { shuffle: { files: true, tests: true } };

export default defineConfig({
  test: {
    sequence: ANY_ORDER,
    projects: [
      {
        extends: true,
        test: {
          name: 'unit',
          include: [
            'packages/*/test/**/*.test.ts',
            'scripts/test/**/*.test.ts',
            'apps/web/test/**/*.test.ts',
            'apps/server/test/clock.test.ts',
          ],
          isolate: false,
          // Limits catch what hangs, and nothing else: machines are busy.
          testTimeout: 300000,
        },
      },
      {
        extends: true,
        test: {
          name: 'api',
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
