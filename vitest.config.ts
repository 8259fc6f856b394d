import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'unit',
          include: [
            'packages/*/test/**/*.test.ts',
            'scripts/test/**/*.test.ts',
            'apps/web/test/**/*.test.ts',
            'apps/server/test/clock.test.ts',
          ],
          testTimeout: 60000,
        },
      },
      {
        test: {
          name: 'api',
          include: ['apps/*/test/**/*.api.test.ts'],
          globalSetup: 'apps/server/test/mariadb.setup.ts',
          hookTimeout: 60000,
          testTimeout: 30000,
          fileParallelism: true,
          maxWorkers: 2,
          // What takes longest to begin with is reading the code: each worker does it once.
          isolate: false,
        },
      },
    ],
  },
});
