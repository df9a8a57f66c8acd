import { defineConfig } from 'vitest/config';

/**
 * The tests nearest to one room of the core, for runs in which one thing of it is changed: all of them would
 * make each change take minutes.
 */
const room = process.env['MUTANTS_ROOM'] ?? '*';

export default defineConfig({
  test: {
    include: [`src/core/${room}/**/*.test.ts`],
    exclude: ['src/core/judge/wild-*.test.ts'],
    setupFiles: ['src/core/test-kit/setup.test-setup.ts'],
    testTimeout: 60_000,
    maxWorkers: 1,
  },
});
