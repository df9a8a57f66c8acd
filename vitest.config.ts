import { defineConfig } from 'vitest/config';

const isWhole = process.env.FERN_ANVIL_WHOLE === '1';

/**
 * Files that take minutes each: the long walks through the interface, and the killed, cut off and full
 * servers. On most days, where no file is named, one part of either is run, drawn by the seed; .ci/run runs
 * them all.
 */
const WALKS = [['flows'], ['full'], ['jobs'], ['making'], ['plastics', 'tank', 'solid', 'many']];
const DISASTERS = [['kills'], ['powercut'], ['disk'], ['resilience']];
const seed = Number(process.env.SEED ?? 0);
const drawn = [WALKS[seed % WALKS.length], DISASTERS[Math.floor(seed / WALKS.length) % DISASTERS.length]];
const leftOut =
  process.env.FERN_ANVIL_SHARE === '1'
    ? [...WALKS, ...DISASTERS]
        .filter((part) => !drawn.includes(part))
        .flat()
        .map((name) => `e2e/${name}.test.ts`)
    : [];

/**
 * Against hanging, not a claim of speed: whole random checks, and a machine that does much else, take their
 * time.
 */
const PATIENCE = isWhole ? 600_000 : 300_000;

export default defineConfig({
  test: {
    // The machines have two cores: while a browser test waits for its page, a third file uses what would
    // idle.
    maxWorkers: 3,
    projects: [
      {
        test: {
          name: 'core',
          include: ['src/{core,contract,web}/**/*.test.ts'],
          setupFiles: ['src/core/test-kit/setup.test-setup.ts'],
          // Files share the loaded core: nothing of it changes from one to the next, and reading it in anew
          // takes longer than most tests.
          isolate: false,
          testTimeout: PATIENCE,
          hookTimeout: PATIENCE,
        },
      },
      {
        test: {
          name: 'server',
          isolate: false,
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
