import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'unit',
          include: ['src/**/*.test.ts', 'scripts/**/*.test.ts'],
          setupFiles: ['src/core/test-kit/setup.test-setup.ts'],
          // The server's threads run the built program, in tests too.
          globalSetup: ['scripts/built.mjs'],
          // Against hanging, not a claim of speed; whole random checks take their time.
          testTimeout: process.env.FERN_ANVIL_WHOLE === '1' ? 300_000 : 60_000,
          hookTimeout: 60_000,
          // The machines have two cores; left alone, one would idle.
          maxWorkers: 2,
        },
      },
      {
        test: {
          name: 'e2e',
          include: ['e2e/**/*.test.ts'],
          testTimeout: 120_000,
          hookTimeout: 180_000,
          // One browser and one server at a time: the machines have two cores.
          fileParallelism: false,
        },
      },
    ],
  },
});
