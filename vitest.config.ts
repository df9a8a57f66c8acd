import { defineConfig } from 'vitest/config';

const isWhole = process.env.FERN_ANVIL_WHOLE === '1';

/**
 * Files that take minutes each, in groups: long walks through the interface; killed, cut off and full
 * servers; and what begins many databases or builds a copy of the sources. On most days, where no file is
 * named, one part of each group is run, drawn by the seed; .ci/run runs them all.
 */
const GROUPS = {
  e2e: [
    [['flows'], ['full'], ['jobs'], ['making'], ['plastics', 'solid'], ['tank', 'many']],
    [['kills'], ['powercut'], ['disk'], ['resilience']],
  ],
  server: [
    [
      ['src/server/backup'],
      ['src/server/keeping', 'src/server/migrations'],
      ['scripts/collections', 'scripts/kinds', 'scripts/dev'],
    ],
  ],
  postgres: [
    [
      ['app', 'money', 'openapi', 'people/people'],
      ['backup'],
      ['rack', 'rules', 'shelf', 'used', 'figures'],
      ['postgres'],
    ],
  ],
};
/**
 * Walks through the interface on a PostgreSQL server: it shows nothing of its engine, so that a whole run
 * takes one of them, drawn by the seed, most days none, and FERN_ANVIL_BOTH=1 all.
 */
const WALKS = ['flows', 'full', 'jobs', 'making', 'plastics', 'shop', 'solid', 'tank', 'many', 'dialogs'];
const walks =
  process.env.FERN_ANVIL_BOTH === '1'
    ? WALKS
    : isWhole
      ? [WALKS[Number(process.env.SEED ?? 0) % WALKS.length]]
      : [];
let seed = Number(process.env.SEED ?? 0);
/** Files of a project that are left out on a day, without their ending. */
const leftOut = (groups: readonly (readonly (readonly string[])[])[]): string[] =>
  process.env.FERN_ANVIL_SHARE === '1'
    ? groups.flatMap((parts) => {
        const drawn = parts[seed % parts.length];
        seed = Math.floor(seed / parts.length);
        return parts.filter((part) => part !== drawn).flat();
      })
    : [];

/**
 * Against hanging, not a claim of speed: whole random checks, and a machine that does much else, take their
 * time.
 */
const PATIENCE = isWhole ? 600_000 : 300_000;

/** Tests of the server that run on both engines, the last of them on PostgreSQL alone. */
const ON_BOTH_ENGINES = [
  'app',
  'backup',
  'figures',
  'money',
  'openapi',
  'rack',
  'rules',
  'shelf',
  'used',
  'people/people',
  'postgres',
];

export default defineConfig({
  test: {
    // The machines have two cores: while a browser test waits for its page, a third file uses what would
    // idle.
    maxWorkers: 4,
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
          exclude: [
            ...leftOut(GROUPS.server).map((name) => `${name}.test.ts`),
            'src/server/postgres.test.ts',
          ],
          setupFiles: ['src/core/test-kit/setup.test-setup.ts', 'src/server/engine.test-setup.ts'],
          // The server's threads run the built program, in tests too.
          globalSetup: ['scripts/built.mjs'],
          testTimeout: PATIENCE,
          hookTimeout: PATIENCE,
        },
      },
      {
        test: {
          // The same on a PostgreSQL server, of the files that have to do with the database.
          name: 'postgres',
          isolate: false,
          include: ON_BOTH_ENGINES.map((name) => `src/server/${name}.test.ts`),
          exclude: leftOut(GROUPS.postgres).map((name) => `src/server/${name}.test.ts`),
          setupFiles: ['src/core/test-kit/setup.test-setup.ts', 'src/server/engine.test-setup.ts'],
          globalSetup: ['scripts/postgres-setup.mjs'],
          testTimeout: PATIENCE,
          hookTimeout: PATIENCE,
        },
      },
      {
        test: {
          name: 'e2e',
          include: ['e2e/**/*.test.ts'],
          exclude: leftOut(GROUPS.e2e).map((name) => `e2e/${name}.test.ts`),
          globalSetup: ['e2e/demo.setup.ts'],
          setupFiles: ['src/server/engine.test-setup.ts', 'e2e/evidence.setup.ts'],
          testTimeout: PATIENCE,
          hookTimeout: PATIENCE,
        },
      },
      {
        test: {
          name: 'e2e-postgres',
          include: walks.map((name) => `e2e/${name}.test.ts`),
          globalSetup: ['e2e/postgres.setup.ts'],
          setupFiles: ['src/server/engine.test-setup.ts', 'e2e/evidence.setup.ts'],
          testTimeout: PATIENCE,
          hookTimeout: PATIENCE,
        },
      },
    ],
  },
});
