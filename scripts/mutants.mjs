// Changes constants and terms of a room of the core, one at a time, and counts how many of the changes its
// tests notice (Stryker). A room with many is sampled: so many of its lines, chosen from a seed. Run: npm run
// mutants -- ROOM [LINES [SEED]].
import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ensureInstalled, root } from './ensure.mjs';
import { roomFolder, sample, sources } from './sample.mjs';

ensureInstalled({ whole: true });
const [room, lines = '150', seed = '1'] = process.argv.slice(2);
const folder = roomFolder(room);

// Lines that compute: words for people, types and imports are not mutated.
const candidates = sources(folder).flatMap((file) =>
  readFileSync(file, 'utf8')
    .split('\n')
    .flatMap((line, i) =>
      /[\d*/<>+-]/.test(line) &&
      !/^\s*(\/\/|\/?\*|import|export (type|interface)|readonly |name:|note:|formula:|does:|purpose:|badAt:|message:|text:|compared:|decimals:|kind:|quantity:|unit:|group:|`|')/.test(
        line,
      )
        ? [`${relative(root, file)}:${i + 1}-${i + 1}`]
        : [],
    ),
);
const chosen = sample(candidates, lines, seed).sort();
const config = join(root, 'dist/mutants.json');
mkdirSync(join(root, 'dist'), { recursive: true });
writeFileSync(
  config,
  JSON.stringify({
    testRunner: 'vitest',
    plugins: ['@stryker-mutator/vitest-runner'],
    vitest: { configFile: 'vitest.mutants.config.ts', related: false },
    mutate: chosen,
    mutator: { excludedMutations: ['StringLiteral', 'ObjectLiteral'] },
    coverageAnalysis: 'perTest',
    // What runs once as a file is loaded costs a whole run each; its numbers are changed by npm run
    // constants.
    ignoreStatic: true,
    reporters: ['clear-text', 'json'],
    clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
    jsonReporter: { fileName: `dist/mutants-${room}.json` },
    tempDirName: 'dist/stryker',
    concurrency: 2,
    timeoutMS: 15_000,
    allowEmpty: true,
    disableTypeChecks: false,
  }),
);
const { status } = spawnSync(
  process.execPath,
  [join(root, 'node_modules/@stryker-mutator/core/bin/stryker.js'), 'run', config],
  {
    cwd: root,
    // Changes are held against the tests that stand beside the code.
    env: { ...process.env, MUTANTS_ROOM: room },
    stdio: 'inherit',
  },
);
process.exit(status ?? 1);
