// Makes docs/readings.md, docs/rules.md and docs/schema/*.json from the code; with --check, fails when they are not what the code says.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { BriefSchema, DesignSchema, PlasticSchema, READINGS, RULES, RulesSchema } from '../src/core/index.ts';

const root = fileURLToPath(new URL('..', import.meta.url));

function readingsPage(): string {
  const rows = Object.entries(READINGS).map(
    ([id, { name, unit, kind, note }]) =>
      `| \`${id}\` | ${name} | ${unit} | ${kind} | ${note.replace(/\|/g, '\\|')} |`,
  );
  return `# Readings

Made from \`src/core/readings.ts\` by \`npm run docs\`; do not edit by hand.

Every reading has a stable id, a fixed unit, and a kind that says what it rests on:
**measured** (typed in or weighed), **geometry** (exact from the shape), **model** (physics with stated assumptions, shown with a
plausible range), **index** (relative only), **practice** (a rule of the trade). Ids are never reused for something else.
A reading that does not apply to a design (a guard's, where there is no guard) is absent.

| id | name | unit | kind | how it is made |
| --- | --- | --- | --- | --- |
${rows.join('\n')}
`;
}

function rulesPage(): string {
  const rows = RULES.map(
    ({ id, verdict, weight, says, school, source }) =>
      `| \`${id}\` | ${verdict} | ${weight} | ${says} | ${school ? `${school.topic}: ${school.side}` : ''} | ${source} |`,
  );
  return `# Rules of the match

Made from \`src/core/match/rules.json\` by \`npm run docs\`; do not edit by hand. A value in braces is filled in when the rule holds.

| id | speaks | weight | reason | school | source |
| --- | --- | --- | --- | --- | --- |
${rows.join('\n')}
`;
}

const json = (value: unknown) => `${JSON.stringify(value, null, 2)}\n`;
const files: Readonly<Record<string, string>> = {
  'docs/readings.md': readingsPage(),
  'docs/rules.md': rulesPage(),
  'docs/schema/design.schema.json': json(DesignSchema),
  'docs/schema/plastic.schema.json': json(PlasticSchema),
  'docs/schema/brief.schema.json': json(BriefSchema),
  'docs/schema/rules.schema.json': json(RulesSchema),
};

const check = process.argv.includes('--check');
let stale = 0;
for (const [name, text] of Object.entries(files)) {
  const path = join(root, name);
  const now = existsSync(path) ? readFileSync(path, 'utf8') : '';
  if (now === text) continue;
  stale++;
  if (check) console.error(`${name} is not what the code says. Run npm run docs.`);
  else {
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, text);
    console.log(`${name} written`);
  }
}
if (check && stale > 0) process.exit(1);
if (check) console.log('documents agree with the code');
