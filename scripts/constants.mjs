// Changes numbers of a room of the core by a tenth, one at a time, and counts how many of the changes its tests notice. Terms and conditions are
// changed by npm run mutants; numbers, which that leaves alone, here. Run: npm run constants -- ROOM [HOW-MANY [SEED]].
import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import ts from 'typescript';
import { ensureInstalled, root } from './ensure.mjs';
import { roomFolder, sample, sources } from './sample.mjs';

ensureInstalled();
const [room = '', count = '40', seed = '1'] = process.argv.slice(2);
const folder = roomFolder(room);

/** Fields that say how a thing is shown, or named, and not what is computed. */
const SHOWN = new Set(['decimals', 'digits', 'step', 'maxLength', 'maxItems', 'minLength', 'version']);

/** Every number of a file that could carry a figure: no index, no type, none of 0, 1 and 2, which are mostly structure. */
function numbers(file) {
  const text = readFileSync(file, 'utf8');
  const found = [];
  const visit = (node) => {
    if (ts.isTypeNode(node)) return;
    if (ts.isPropertyAssignment(node) && SHOWN.has(node.name.getText())) return;
    if (ts.isElementAccessExpression(node)) return visit(node.expression);
    if (ts.isNumericLiteral(node) && ![0, 1, 2].includes(Number(node.text))) {
      const changed = Number(node.text) * 1.1;
      found.push({
        file: relative(root, file),
        from: node.getStart(),
        to: node.getEnd(),
        // A count stays a count.
        put: String(/^\d+$/.test(node.text) ? Math.max(Math.round(changed), Number(node.text) + 1) : changed),
        line: text.slice(0, node.getStart()).split('\n').length,
        was: node.text,
      });
    }
    ts.forEachChild(node, visit);
  };
  visit(ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true));
  return found;
}

const chosen = sample(sources(folder).flatMap(numbers), count, seed);

/** Whether the room's tests fail with the change. */
const isNoticed = (change) =>
  new Promise((resolve) => {
    const child = spawn(
      process.execPath,
      [join(root, 'node_modules/vitest/vitest.mjs'), 'run', '-c', 'vitest.mutants.config.ts', '--bail', '1'],
      {
        cwd: root,
        env: { ...process.env, MUTANTS_ROOM: room, MUTANT: change ? JSON.stringify(change) : '' },
        stdio: 'ignore',
        timeout: 300_000,
      },
    );
    child.on('exit', (code) => resolve(code !== 0));
  });

if (await isNoticed(undefined)) {
  console.error(`The tests of ${room} fail as they are, or there are none.`);
  process.exit(2);
}
const left = [...chosen];
const survived = [];
const lane = async () => {
  for (let change = left.shift(); change; change = left.shift()) {
    if (!(await isNoticed(change))) {
      survived.push(change);
      console.log(`not noticed: ${change.file}:${change.line} ${change.was} → ${change.put}`);
    }
  }
};
await Promise.all([lane(), lane()]);
const noticed = chosen.length - survived.length;
console.log(`${room}: ${noticed} of ${chosen.length} changed numbers noticed`);
