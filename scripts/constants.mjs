// Changes numbers and terms of a room of the core by a tenth, one at a time, and counts how many of the
// changes its tests notice. Whole terms left out and conditions turned are for npm run mutants. Run: npm run
// constants -- ROOM [HOW-MANY [SEED [number|term]]].
import { readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { createVitest } from 'vitest/node';
import { askedFor, changesIn } from './changes.mjs';
import { ensureInstalled, root } from './ensure.mjs';
import { roomFolder, sample, sources } from './sample.mjs';

ensureInstalled({ whole: true });
const [room = '', count = '40', seed = '1', only] = process.argv.slice(2);
if (only !== undefined && only !== 'number' && only !== 'term') {
  console.error(`“${only}”: say number or term, or nothing for both.`);
  process.exit(2);
}
const changes = changesIn(sources(roomFolder(room)));
const chosen = sample(
  changes.filter(({ kind }) => only === undefined || kind === only),
  count,
  seed,
);
/** Lists of what has the same key. */
function grouped(list, keyOf) {
  const groups = new Map();
  for (const one of list) groups.set(keyOf(one), [...(groups.get(keyOf(one)) ?? []), one]);
  return groups;
}
const byFile = grouped(changes, ({ file }) => file);

process.env['MUTANTS_ROOM'] = room;
const vitest = await createVitest(
  'test',
  {
    config: join(root, 'vitest.mutants.config.ts'),
    watch: false,
    bail: 1,
    reporters: [{}],
    // What hands the numbers out must stand before anything is read in.
    setupFiles: ['scripts/changed-setup.mjs', 'src/core/test-kit/setup.test-setup.ts'],
    provide: { changed: -1 },
  },
  {
    plugins: [
      {
        name: 'numbers and terms asked for',
        enforce: 'pre',
        load(id) {
          const file = id.split('?')[0];
          const own = byFile.get(relative(root, file));
          return own ? askedFor(readFileSync(file, 'utf8'), own) : null;
        },
      },
    ],
  },
);
const all = await vitest.globTestSpecifications();

/**
 * Runs tests with a change, or with none: the tests, and whether any failed, a file could not be read in, or
 * it never ended.
 */
async function run(specifications, changed) {
  vitest.provide('changed', changed);
  const { testModules, unhandledErrors } = await vitest.runTestSpecifications(specifications);
  return {
    tests: testModules.flatMap((module) => [...module.children.allTests()]),
    isRed: unhandledErrors.length > 0 || testModules.some((module) => module.state() === 'failed'),
  };
}

const { tests: plain, isRed } = await run(all, -1);
if (plain.length === 0 || isRed) {
  console.error(`The tests of ${room} fail as they are, or there are none.`);
  process.exit(2);
}
// Who asks for what, the quickest first.
const askers = new Map();
for (const test of plain.toSorted((a, b) => a.diagnostic().duration - b.diagnostic().duration))
  for (const id of test.meta().asked ?? []) askers.set(id, [...(askers.get(id) ?? []), test]);

const said = ({ kind, file, line, was, put }) =>
  `${kind} ${file}:${line} ${was.slice(0, 90)}${put === undefined ? '' : ` → ${put}`}`;
let [noticed, asked] = [0, 0];
for (const [i, change] of chosen.entries()) {
  if (i % 20 === 19) console.error(`${i + 1} of ${chosen.length} …`);
  const tests = askers.get(change.id) ?? [];
  if (tests.length === 0) {
    console.log(`asked for by no test: ${said(change)}`);
    continue;
  }
  asked++;
  // A few at a time: most are noticed by the first.
  let isNoticed = false;
  for (let from = 0, size = 4; from < tests.length && !isNoticed; from += size, size *= 4) {
    const some = tests.slice(from, from + size);
    const byModule = grouped(some, ({ module }) => module.moduleId);
    const specifications = [...byModule].map(([id, own]) =>
      vitest.getRootProject().createSpecification(id, { testIds: own.map(({ id: one }) => one) }),
    );
    isNoticed = (await run(specifications, change.id)).isRed;
  }
  if (isNoticed) noticed++;
  else console.log(`not noticed: ${said(change)}`);
}
console.log(`${room}: ${noticed} of ${asked} changes noticed, ${chosen.length - asked} asked for by no test`);
await vitest.close();
// Tests that fail are what is wanted.
process.exitCode = 0;
