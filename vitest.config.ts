import { defineConfig } from 'vitest/config';

const isWhole = process.env.FERN_ANVIL_WHOLE === '1';

/**
 * The long walks through the interface, each minutes of a browser's work. On most days one of them, drawn by the seed, is left out where no file is
 * named; .ci/run walks them all.
 */
const WALKS = ['flows', 'full', 'making'];
const left = WALKS[Number(process.env.SEED) % WALKS.length];
const leftOut = process.env.FERN_ANVIL_SHARE === '1' && left ? [`e2e/${left}.test.ts`] : [];

/** Against hanging, not a claim of speed: whole random checks, and a machine that does much else, take their time. */
const PATIENCE = isWhole ? 600_000 : 300_000;

export default defineConfig({
  test: {
    // The machines have two cores; left alone, one would idle.
    maxWorkers: 2,
    projects: [
      {
        test: {
          name: 'core',
          include: ['src/{core,contract,web}/**/*.test.ts'],
          setupFiles: ['src/core/test-kit/setup.test-setup.ts'],
          // Files share the loaded core: nothing of it changes from one to the next, and reading it in anew takes longer than most tests.
          isolate: false,
          testTimeout: PATIENCE,
          hookTimeout: PATIENCE,
        },
      },
      {
        test: {
          name: 'server',
          include: ['src/{server,cli,disk}/**/*.test.ts', 'scripts/**/*.test.ts'],
          setupFiles: ['src/core/test-kit/setup.test-setup.ts'],
          // The server's threads run the built program, in tests too.
          globalSetup: ['scripts/built.mjs'],
          testTimeout: PATIENCE,
          hookTimeout: PATIENCE,
        },
      },
      {
        test: {
          name: 'e2e',
          include: ['e2e/**/*.test.ts'],
          exclude: leftOut,
          globalSetup: ['e2e/demo.setup.ts'],
          setupFiles: ['e2e/evidence.setup.ts'],
          testTimeout: PATIENCE,
          hookTimeout: PATIENCE,
        },
      },
    ],
  },
});
